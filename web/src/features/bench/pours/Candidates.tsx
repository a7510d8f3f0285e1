import { Autocomplete } from '@base-ui/react/autocomplete';

import type { Ingredient } from '@/api';
import { type AxisName, levelText } from '@/lib';
import { AxisMark, ComboboxOption } from '@/ui';

export interface CandidateGroup {
  name: string;
  items: Ingredient[];
}

interface Props {
  /** What is made for the slot, and the rest of the larder; or what some words found. */
  groups: CandidateGroup[];
  onTake: (ingredient: Ingredient) => void;
}

/** Ingredients for a new pour, those that are made for it first. */
export function Candidates({ groups, onTake }: Props) {
  return (
    <Autocomplete.List aria-label="Candidates" className="min-h-0 grow overflow-y-auto px-2 pb-2 max-xl:max-h-[60vh]">
      {groups.map(({ name, items }, place) => (
        <Autocomplete.Group key={name} items={items}>
          <Autocomplete.GroupLabel className={place > 0 ? 'px-2 pt-3 pb-1 text-quiet' : 'sr-only'}>
            {name}
          </Autocomplete.GroupLabel>
          {items.map((ingredient) => (
            <Candidate key={ingredient.slug} ingredient={ingredient} onTake={onTake} />
          ))}
        </Autocomplete.Group>
      ))}
    </Autocomplete.List>
  );
}

function Candidate({ ingredient, onTake }: { ingredient: Ingredient; onTake: (ingredient: Ingredient) => void }) {
  return (
    <ComboboxOption
      value={ingredient}
      className="min-h-14 gap-2 rounded-xl px-2 py-1"
      onTake={() => onTake(ingredient)}
    >
      <span className="min-w-0 grow">
        <span className="block text-lg leading-tight font-semibold">
          {ingredient.name}
          {ingredient.found_by && <span className="font-normal text-quiet"> · {ingredient.found_by}</span>}
        </span>
        <span className="block text-sm leading-snug text-quiet">{ingredient.impression || ingredient.kind}</span>
      </span>
      <Levels ingredient={ingredient} />
    </ComboboxOption>
  );
}

function Levels({ ingredient }: { ingredient: Ingredient }) {
  const axes: AxisName[] = ['sugar', 'acid', 'abv'];
  return (
    <span className="grid shrink-0 grid-cols-3 gap-x-1 font-figure text-sm">
      {axes.map((axis) => (
        <span key={axis} className="flex w-15 items-center justify-end gap-1 whitespace-nowrap">
          {ingredient[axis] > 0 && (
            <>
              {levelText(ingredient[axis], axis === 'acid' ? 'sugar' : axis)}
              {axis === 'abv' ? '%' : ' g'} <AxisMark axis={axis} size={11} />
            </>
          )}
        </span>
      ))}
    </span>
  );
}
