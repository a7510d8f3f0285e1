import { Autocomplete } from '@base-ui/react/autocomplete';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { ingredientSearchQuery } from '@/api';
import { ComboboxOption } from '@/ui';

const MOST_SHOWN = 6;

/** Another ingredient, by any word for it; arrows walk the matches, Enter takes the first or the one under the hand. */
export function IngredientChooser({ onChoose }: { onChoose: (slug: string) => void }) {
  const [words, setWords] = useState('');
  const sought = words.trim();
  const { data, isPlaceholderData } = useQuery(ingredientSearchQuery(sought));
  const isSettled = data !== undefined && !isPlaceholderData;
  const matches = data?.found.length ? data.found : (data?.nearest ?? []);
  return (
    <Autocomplete.Root
      mode="none"
      autoHighlight
      items={sought ? matches.slice(0, MOST_SHOWN) : []}
      itemToStringValue={({ name }) => name}
      value={words}
      onValueChange={(typed, { reason }) => reason !== 'item-press' && setWords(typed)}
    >
      <Autocomplete.Input
        aria-label="Choose another"
        placeholder="something else"
        maxLength={100}
        className="input min-h-11 w-52 text-base"
        // What stands below may still be the answer to the words before.
        onKeyDown={(event) => event.key === 'Enter' && !isSettled && event.preventBaseUIHandler()}
      />
      <Autocomplete.Portal>
        <Autocomplete.Positioner sideOffset={4} align="start" className="z-20">
          <Autocomplete.Popup className="panel w-72 p-1">
            {isSettled && data.found.length === 0 && <p className="px-2 py-1 text-quiet">Nothing matches. Closest:</p>}
            <Autocomplete.List aria-label="Search results">
              {({ slug, name, by }: (typeof matches)[number]) => (
                <ComboboxOption
                  key={slug}
                  value={slug}
                  className="min-h-11 gap-1.5 rounded-lg px-3"
                  onTake={() => onChoose(slug)}
                >
                  {name} {by && <span className="text-quiet">· {by}</span>}
                </ComboboxOption>
              )}
            </Autocomplete.List>
          </Autocomplete.Popup>
        </Autocomplete.Positioner>
      </Autocomplete.Portal>
    </Autocomplete.Root>
  );
}
