import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { type Criteria, ingredientSearchQuery } from '@/api';
import { Button, SearchField } from '@/ui';
import { withPreference } from './criteria';

interface Props {
  wish: Criteria;
  onChange: (wish: Criteria) => void;
}

const LISTS = [
  ['must', 'Must'],
  ['may', 'Preferably'],
  ['without', 'Never'],
] as const;
const MOST_SHOWN = 6;

/** Finds an ingredient and says whether it must be in, may gladly be, or never. */
export function IngredientCriteria({ wish, onChange }: Props) {
  const [words, setWords] = useState('');
  const { data } = useQuery(ingredientSearchQuery(words.trim()));
  const found = words.trim() ? (data?.found.slice(0, MOST_SHOWN) ?? []) : [];
  return (
    <div className="flex flex-col gap-1.5">
      <SearchField
        label="Ingredient to use or avoid"
        placeholder="Use or avoid…"
        className="input-lg w-full"
        value={words}
        onWords={setWords}
      />
      {words.trim() && data && found.length === 0 && (
        <p role="status" className="text-base">
          No ingredient matches “{words.trim()}”.
        </p>
      )}
      {found.length > 0 && (
        <ul aria-label="Search results" className="flex flex-col gap-1">
          {found.map(({ slug, name }) => (
            <li key={slug} className="flex flex-wrap items-center gap-1 border-b border-base-300 pb-1.5 text-base">
              <span className="basis-full leading-tight">{name}</span>
              {LISTS.map(([list, option]) => (
                <Button
                  key={list}

                  aria-label={`${option}: ${name}`}
                  look="outline"
                  className="px-2"
                  onClick={() => {
                    onChange(withPreference(wish, list, slug));
                    setWords('');
                  }}
                >
                  {option}
                </Button>
              ))}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
