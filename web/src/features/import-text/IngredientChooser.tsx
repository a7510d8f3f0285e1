import { useQuery } from '@tanstack/react-query';
import { useId, useState, type KeyboardEvent } from 'react';

import { ingredientSearchQuery } from '@/api';
import { Button, SearchField } from '@/ui';

const MOST_SHOWN = 6;

/** Another ingredient, by any word for it; Enter takes the first. */
export function IngredientChooser({ onChoose }: { onChoose: (slug: string) => void }) {
  const [words, setWords] = useState('');
  const listId = useId();
  const { data, isPlaceholderData } = useQuery(ingredientSearchQuery(words.trim()));
  const found = words.trim() ? (data?.found.length ? data.found : (data?.nearest ?? [])) : [];
  const press = (event: KeyboardEvent) => {
    const [first] = data?.found ?? [];
    if (event.key === 'Enter' && first && !isPlaceholderData && words.trim()) onChoose(first.slug);
    else if (event.key === 'Escape' && words) setWords('');
    else return;
    event.preventDefault();
  };
  return (
    <span className="relative">
      <SearchField
        role="combobox"
        aria-expanded={found.length > 0}
        aria-controls={listId}
        className="min-h-11 w-52 text-base"
        size={18}
        label="Choose another"
        placeholder="something else"
        value={words}
        onWords={setWords}
        onKeyDown={press}
      />
      {found.length > 0 && (
        <ul id={listId} role="listbox" aria-label="Search results" className="panel absolute z-20 mt-1 w-72 p-1">
          {data?.found.length === 0 && <li className="px-2 py-1 text-quiet">Nothing matches. Closest:</li>}
          {found.slice(0, MOST_SHOWN).map(({ slug, name, by }) => (
            <li key={slug} role="option" aria-selected={false}>
              <Button look="ghost" className="w-full justify-start font-normal" onClick={() => onChoose(slug)}>
                {name} {by && <span className="text-quiet">· {by}</span>}
              </Button>
            </li>
          ))}
        </ul>
      )}
    </span>
  );
}
