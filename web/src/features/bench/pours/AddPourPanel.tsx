import { useQuery, useQueryClient } from '@tanstack/react-query';
import { ArrowLeft } from 'lucide-react';
import { useEffect, useId, useRef, useState, type KeyboardEvent } from 'react';

import { candidatesQuery, type Family, type Ingredient, type Slot, type Spec } from '@/api';
import { shownKey } from '@/hooks';
import { NoMatch } from '@/features/ingredient-search';
import { IconButton, SearchField } from '@/ui';
import { SLOT_NAMES } from '@/spec';
import { Candidates } from './Candidates';

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
  const [at, setAt] = useState(0);
  const listId = useId();
  const list = useRef<HTMLDivElement>(null);
  const queryClient = useQueryClient();
  const asked = candidatesQuery(words.trim(), family, slot);
  const larder = useQuery(asked);
  const answered = larder.data !== undefined && !larder.isPlaceholderData;
  // What was typed decides; without words what is made for the slot comes first.
  const sought = words.trim() !== '';
  const ranked = sought ? (larder.data ?? []) : sorted(larder.data ?? [], slot);
  const highlighted = ranked[Math.min(at, ranked.length - 1)];

  // The ghost follows the highlight; the field that shows it belongs to the bench.
  useEffect(() => {
    onTry(highlighted ?? null);
    list.current?.querySelector('[aria-selected=true]')?.scrollIntoView({ block: 'nearest' });
  }, [highlighted, onTry]);

  /** Enter may come before the answer to the last letter: it means what these words find, at the place where the hand is. */
  const takeFound = async () => {
    const answer = await queryClient.query({ ...asked, staleTime: 'static' });
    const found = sought ? answer : sorted(answer, slot);
    const meant = found[Math.min(at, found.length - 1)];
    if (meant) onTake(meant);
  };
  const search = (typed: string) => {
    setWords(typed);
    setAt(0);
  };
  const press = (event: KeyboardEvent) => {
    if (event.key === 'ArrowDown') setAt(answered ? Math.min(at + 1, ranked.length - 1) : at + 1);
    else if (event.key === 'ArrowUp') setAt(Math.max(at - 1, 0));
    else if (event.key === 'Enter' && !answered) void takeFound();
    else if (event.key === 'Enter' && highlighted) onTake(highlighted);
    else if (event.key === 'Escape') onBack();
    else return;
    event.preventDefault();
  };

  return (
    <div className="flex min-h-0 grow flex-col">
      <Head onBack={onBack} />
      <SlotChoice slot={slot} slots={slots.map((item) => item.slot)} onSlot={onSlot} />
      <SearchField
        autoFocus
        role="combobox"
        className="input-lg mx-3 mb-2 w-auto shrink-0"
        aria-expanded
        aria-controls={listId}
        aria-activedescendant={highlighted && `${listId}-${highlighted.slug}`}
        label="Search ingredients"
        placeholder="Search ingredients"
        value={words}
        onWords={search}
        onKeyDown={press}
      />
      {answered && ranked.length === 0 && <NoMatch words={words} where="among ingredients" onWords={search} />}
      <div
        id={listId}
        ref={list}
        role="listbox"
        aria-label="Candidates"
        className="min-h-0 grow overflow-y-auto px-2 pb-2 max-xl:max-h-[60vh]"
      >
        <Candidates
          listId={listId}
          fitting={sought ? ranked : ranked.filter((item) => fits(item, slot))}
          others={sought ? [] : ranked.filter((item) => !fits(item, slot))}
          title={sought ? 'Search results' : suggestedAs(slot)}
          highlighted={highlighted}
          onPoint={(ingredient) => setAt(ranked.indexOf(ingredient))}
          onTake={onTake}
        />
      </div>
    </div>
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

/** What is made for the slot first. */
function sorted(larder: Ingredient[], slot: Slot): Ingredient[] {
  return [
    ...larder.filter((ingredient) => fits(ingredient, slot)),
    ...larder.filter((ingredient) => !fits(ingredient, slot)),
  ];
}
