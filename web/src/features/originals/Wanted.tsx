import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import type { Wish } from '../../api/client';
import { findQuery } from '../../api/queries/recipes';
import { SearchLine } from '../../ui/SearchLine';
import { placed } from './wish';

interface Props {
  wish: Wish;
  onChange: (wish: Wish) => void;
}

const LISTS = [
  ['must', 'Must'],
  ['may', 'Preferably'],
  ['without', 'Never'],
] as const;
const SHOWN = 6;

/** Finds an ingredient and says whether it must be in, may gladly be, or never. */
export function Wanted({ wish, onChange }: Props) {
  const [words, setWords] = useState('');
  const { data } = useQuery(findQuery(words.trim()));
  const found = words.trim() ? (data?.found.slice(0, SHOWN) ?? []) : [];
  return (
    <div className="flex flex-col gap-1.5">
      <SearchLine
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
              {LISTS.map(([list, said]) => (
                <button
                  key={list}
                  type="button"
                  aria-label={`${said}: ${name}`}
                  className="btn btn-ghost min-h-11 border-base-300 px-2 text-base font-normal"
                  onClick={() => {
                    onChange(placed(wish, list, slug));
                    setWords('');
                  }}
                >
                  {said}
                </button>
              ))}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
