import { Autocomplete } from '@base-ui/react/autocomplete';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { ArrowLeft, Search } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';

import { candidatesQuery, type Family, type Ingredient, type Slot, type Spec } from '@/api';
import { shownKey } from '@/hooks';
import { NoMatch } from '@/features/ingredient-search';
import { IconButton } from '@/ui';
import { SLOT_NAMES } from '@/spec';
import { type CandidateGroup, Candidates } from './Candidates';

interface Props {
  /** The slot of the new pour. */
  slot: Slot;
  family: Spec['family'];
  /** The family's own slots. */
  slots: Family['slots'];
  /** The candidate under the hand: its ghost is drawn on the field. */
  onTry: (ingredient: Ingredient | null) => void;
  onTake: (ingredient: Ingredient) => void;
  onSlot: (slot: Slot) => void;
  onBack: () => void;
}

const MORE_SLOTS: Slot[] = ['accent', 'texture', 'lengthener', 'seasoning', 'edge', 'garnish'];

/** The larder, for a new pour: search, look at where each would land, take one. */
export function AddPourPanel({ slot, family, slots, onTry, onTake, onSlot, onBack }: Props) {
  const [words, setWords] = useState('');
  const highlighted = useRef(0);
  const queryClient = useQueryClient();
  const asked = candidatesQuery(words.trim(), family, slot);
  const larder = useQuery(asked);
  const answered = larder.data !== undefined && !larder.isPlaceholderData;
  // What was typed decides; without words what is made for the slot comes first.
  const sought = words.trim() !== '';
  const groups = grouped(larder.data ?? [], slot, sought);
  const ranked = groups.flatMap(({ items }) => items);
  useEffect(() => () => onTry(null), [onTry]);

  /** Enter may come before the answer to the last letter: it means what these words find, at the place where the hand is. */
  const takeFound = async () => {
    const found = grouped(await queryClient.query({ ...asked, staleTime: 'static' }), slot, sought);
    const meant = found.flatMap(({ items }) => items).at(Math.max(highlighted.current, 0));
    if (meant) onTake(meant);
  };

  return (
    <Autocomplete.Root
      inline
      open
      mode="none"
      autoHighlight="always"
      keepHighlight
      loopFocus={false}
      items={groups}
      itemToStringValue={({ name }) => name}
      value={words}
      onValueChange={(typed, { reason }) => reason === 'input-change' && setWords(typed)}
      onItemHighlighted={(ingredient) => {
        highlighted.current = ingredient ? ranked.indexOf(ingredient) : 0;
        // The ghost follows the highlight; the field that shows it belongs to the bench.
        onTry(ingredient ?? null);
      }}
    >
      <div className="flex min-h-0 grow flex-col">
        <Head onBack={onBack} />
        <SlotChoice slot={slot} slots={slots.map((item) => item.slot)} onSlot={onSlot} />
        <Autocomplete.InputGroup className="input input-lg mx-3 mb-2 w-auto shrink-0">
          <Search size={20} aria-hidden className="text-quiet" />
          <Autocomplete.Input
            autoFocus
            type="search"
            aria-label="Search ingredients"
            placeholder="Search ingredients"
            maxLength={100}
            onKeyDown={(event) => {
              if (event.key === 'Escape') onBack();
              else if (event.key === 'Enter' && !answered) void takeFound();
              else return;
              event.preventBaseUIHandler();
              event.preventDefault();
            }}
          />
        </Autocomplete.InputGroup>
        {answered && ranked.length === 0 && <NoMatch words={words} where="among ingredients" onWords={setWords} />}
        <Candidates groups={groups} onTake={onTake} />
      </div>
    </Autocomplete.Root>
  );
}

function Head({ onBack }: { onBack: () => void }) {
  return (
    <div className="flex items-center gap-2 p-3 pb-2">
      <IconButton icon={ArrowLeft} label="Back to ingredients" hotkey={shownKey('back')} onClick={onBack} />
      <h2 className="grow font-display text-lg leading-tight font-semibold">Add ingredient</h2>
    </div>
  );
}

function SlotChoice({ slot, slots, onSlot }: { slot: Slot; slots: Slot[]; onSlot: (slot: Slot) => void }) {
  return (
    <div role="group" aria-label="Role" className="flex flex-wrap gap-1 px-3 pb-2">
      {[...new Set([...slots, ...MORE_SLOTS])].map((option) => (
        <button
          key={option}
          type="button"
          aria-pressed={option === slot}
          className={`btn min-h-11 px-3 text-base ${option === slot ? 'btn-secondary' : 'btn-ghost border-base-300'}`}
          onClick={() => onSlot(option)}
        >
          {SLOT_NAMES[option]}
        </button>
      ))}
    </div>
  );
}

const suggestedAs = (slot: Slot) =>
  slot === 'other' ? 'All ingredients' : `Suggested as ${SLOT_NAMES[slot].toLowerCase()}`;

/** Whether it is made for the slot. */
function fits({ slots }: Ingredient, slot: Slot): boolean {
  return slot === 'other' || slots.includes(slot);
}

/** As the words found them; without words what is made for the slot first, and the rest after it. */
function grouped(larder: Ingredient[], slot: Slot, sought: boolean): CandidateGroup[] {
  const groups = sought
    ? [{ name: 'Search results', items: larder }]
    : [
        { name: suggestedAs(slot), items: larder.filter((ingredient) => fits(ingredient, slot)) },
        { name: 'Other ingredients', items: larder.filter((ingredient) => !fits(ingredient, slot)) },
      ];
  return groups.filter(({ items }) => items.length > 0);
}
