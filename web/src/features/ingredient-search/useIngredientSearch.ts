import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';

import { ingredientSearchQuery } from '@/api';

/** What typed words mean, by slug: its place among all that they may mean, and the other name that they were taken for. */
export interface SearchMatches {
  of: Map<string, { place: number; by: string }>;
  /** Whether it is the answer to these words, and not to those before. */
  isSettled: boolean;
}

/** Ingredients by any word of the trade; null while no words are typed. */
export function useIngredientSearch(words: string): SearchMatches | null {
  const sought = words.trim();
  const { data, isPlaceholderData } = useQuery(ingredientSearchQuery(sought));
  return useMemo(() => {
    if (!sought) return null;
    const of = new Map(data?.found.map(({ slug, by }, index) => [slug, { place: index, by }]));
    return { of, isSettled: data !== undefined && !isPlaceholderData };
  }, [sought, data, isPlaceholderData]);
}
