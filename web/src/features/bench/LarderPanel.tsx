import { useQuery, useQueryClient } from '@tanstack/react-query';
import { ArrowLeft, Search } from 'lucide-react';
import { useEffect, useId, useRef, useState } from 'react';

import type { Family, Ingredient, Slot } from '../../api/client';
import { capital, level, type AxisName } from '../../lib/format';
import { AxisMark } from '../../ui/AxisMark';
import { IconButton } from '../../ui/IconButton';
import { larderQuery } from './useLarder';

interface Props {
  /** The slot of the new pour. */
  slot: Slot;
  family: Family | undefined;
  /** The candidate under the hand: its ghost is drawn on the field. */
  onTry: (ingredient: Ingredient | null) => void;
  onTake: (ingredient: Ingredient) => void;
  onSlot: (slot: Slot) => void;
  onBack: () => void;
}

const MORE_SLOTS: Slot[] = ['accent', 'texture', 'lengthener', 'seasoning', 'garnish'];

/** The larder, for a new pour: search, look at where each would land, take one. */
export function LarderPanel({ slot, family, onTry, onTake, onSlot, onBack }: Props) {
  const [words, setWords] = useState('');
  const [at, setAt] = useState(0);
  const listId = useId();
  const list = useRef<HTMLDivElement>(null);
  const queryClient = useQueryClient();
  const larder = useQuery(larderQuery(words.trim()));
  const { fitting, others } = sorted(larder.data ?? [], slot);
  const ranked = [...fitting, ...others];
  const highlighted = ranked[Math.min(at, ranked.length - 1)];

  // The ghost follows the highlight; the field that shows it belongs to the bench.
  useEffect(() => {
    onTry(highlighted ?? null);
    list.current?.querySelector('[aria-selected=true]')?.scrollIntoView({ block: 'nearest' });
  }, [highlighted, onTry]);

  /** Enter may come before the answer to the last letter: it means the first of what these words find. */
  const takeFirst = async () => {
    const found = sorted(await queryClient.query({ ...larderQuery(words.trim()), staleTime: 'static' }), slot);
    const first = found.fitting[0] ?? found.others[0];
    if (first) onTake(first);
  };

  return (
    <div className="flex min-h-0 grow flex-col">
      <div className="flex items-center gap-2 p-3 pb-2">
        <IconButton icon={ArrowLeft} label="Back to the pours" hotkey="Esc" onClick={onBack} />
        <h2 className="grow font-display text-lg leading-tight font-semibold">Add a pour</h2>
      </div>
      <div role="group" aria-label="As what" className="flex flex-wrap gap-1 px-3 pb-2">
        {[...new Set<Slot>([...((family?.slots.map((each) => each.slot) ?? []) as Slot[]), ...MORE_SLOTS])].map(
          (each) => (
            <button
              key={each}
              type="button"
              aria-pressed={each === slot}
              className={`btn min-h-11 px-3 text-base ${each === slot ? 'btn-secondary' : 'btn-ghost border-base-300'}`}
              onClick={() => onSlot(each)}
            >
              {capital(each)}
            </button>
          ),
        )}
      </div>
      <label className="input input-lg mx-3 mb-2 w-auto shrink-0">
        <Search size={20} aria-hidden className="text-quiet" />
        <input
          autoFocus
          type="search"
          role="combobox"
          aria-expanded
          aria-controls={listId}
          aria-activedescendant={highlighted && `${listId}-${highlighted.slug}`}
          aria-label="Search the larder"
          placeholder="Search the larder"
          maxLength={100}
          value={words}
          onChange={(event) => {
            setWords(event.target.value);
            setAt(0);
          }}
          onKeyDown={(event) => {
            if (event.key === 'ArrowDown') setAt(Math.min(at + 1, ranked.length - 1));
            else if (event.key === 'ArrowUp') setAt(Math.max(at - 1, 0));
            else if (event.key === 'Enter' && larder.isPlaceholderData) void takeFirst();
            else if (event.key === 'Enter' && highlighted) onTake(highlighted);
            else if (event.key === 'Escape') onBack();
            else return;
            event.preventDefault();
          }}
        />
      </label>
      {larder.data && ranked.length === 0 && (
        <p className="px-4 py-2">
          Nothing in the larder is called “{words.trim()}”. Try one word of it, or its kind: “syrup”, “juice”.
        </p>
      )}
      <div
        id={listId}
        ref={list}
        role="listbox"
        aria-label="Candidates"
        className="min-h-0 grow overflow-y-auto px-2 pb-2 max-xl:max-h-[60vh]"
      >
        {[
          { title: `For the ${slotWord(slot)} slot`, members: fitting },
          { title: 'Elsewhere in the larder', members: others },
        ].map(
          ({ title, members }) =>
            members.length > 0 && (
              <div key={title} role="group" aria-label={title}>
                {members === others && fitting.length > 0 && (
                  <p aria-hidden className="px-2 pt-3 pb-1 text-quiet">
                    {title}
                  </p>
                )}
                {members.map((ingredient) => (
                  <Candidate
                    key={ingredient.slug}
                    id={`${listId}-${ingredient.slug}`}
                    ingredient={ingredient}
                    highlighted={ingredient === highlighted}
                    onPoint={() => setAt(ranked.indexOf(ingredient))}
                    onTake={() => onTake(ingredient)}
                  />
                ))}
              </div>
            ),
        )}
      </div>
    </div>
  );
}

interface CandidateProps {
  id: string;
  ingredient: Ingredient;
  highlighted: boolean;
  onPoint: () => void;
  onTake: () => void;
}

function Candidate({ id, ingredient, highlighted, onPoint, onTake }: CandidateProps) {
  return (
    <div
      id={id}
      role="option"
      aria-selected={highlighted}
      className={`flex min-h-14 cursor-pointer items-center gap-2 rounded-xl px-2 py-1 ${highlighted ? 'bg-secondary' : ''}`}
      onPointerMove={onPoint}
      onClick={onTake}
    >
      <span className="min-w-0 grow">
        <span className="block text-lg leading-tight font-semibold">{ingredient.name}</span>
        <span className="block text-sm leading-snug text-quiet">{ingredient.impression || ingredient.kind}</span>
      </span>
      <Levels ingredient={ingredient} />
    </div>
  );
}

function Levels({ ingredient }: { ingredient: Ingredient }) {
  const axes: AxisName[] = ['sugar', 'acid', 'abv'];
  return (
    <span className="grid shrink-0 grid-cols-3 gap-x-2 font-figure text-base">
      {axes.map((axis) => (
        <span key={axis} className="flex w-13 items-center justify-end gap-1">
          {ingredient[axis] > 0 && (
            <>
              {level(ingredient[axis], axis === 'acid' ? 'sugar' : axis)} <AxisMark axis={axis} size={11} />
            </>
          )}
        </span>
      ))}
    </span>
  );
}

/** What is made for the slot, and the rest of the larder. */
function sorted(larder: Ingredient[], slot: Slot) {
  const fits = ({ slots }: Ingredient) => slot === 'other' || slots.includes(slot);
  return { fitting: larder.filter(fits), others: larder.filter((ingredient) => !fits(ingredient)) };
}

function slotWord(slot: Slot): string {
  return slot === 'other' ? 'ingredient' : slot;
}
