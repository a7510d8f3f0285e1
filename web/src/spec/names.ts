import type { Ingredient, PourEntry } from '@/api';

/** What an ingredient of a pour is called; a slug that the larder doesn't know stays as it is. */
export type NameOf = (ingredient: PourEntry['ingredient']) => string;

export function namesIn(larder: readonly Ingredient[] = []): NameOf {
  const names = new Map(larder.map(({ slug, name }) => [slug, name]));
  return (ingredient) => (typeof ingredient === 'string' ? (names.get(ingredient) ?? ingredient) : ingredient.name);
}
