import { useQuery } from '@tanstack/react-query';

import { rulesQuery } from '@/api';
import type { BoardView } from '@/hooks';
import { Checkbox, ChoiceChips, NumberField } from '@/ui';

interface Props {
  view: BoardView;
  set: (change: Partial<BoardView>) => void;
}

const AT_HAND: [BoardView['atHand'], string][] = [
  ['any', 'All ingredients'],
  ['first', 'In stock first'],
  ['only', 'Only in stock'],
];

/** Which candidates are wanted. */
export function CandidateFilters({ view, set }: Props) {
  const { data: rules } = useQuery(rulesQuery());
  const avoid = (allergen: string, on: boolean) =>
    set({ avoid: on ? [...view.avoid, allergen] : view.avoid.filter((text) => text !== allergen) });
  return (
    <fieldset className="flex flex-wrap items-center gap-x-4 border-t border-base-300 pt-1">
      <legend className="sr-only">Filter</legend>
      <span className="basis-full">
        <ChoiceChips
          legend="Stock"
          inLine
          options={AT_HAND}
          value={view.atHand}
          onChoose={(atHand) => set({ atHand })}
        />
      </span>
      <Checkbox words="Vegan" on={view.vegan} onChange={(vegan) => set({ vegan })} />
      <Checkbox words="Non-alcoholic" on={view.withoutAlcohol} onChange={(withoutAlcohol) => set({ withoutAlcohol })} />
      <label className="flex min-h-11 items-center gap-2 text-base">
        At most
        <NumberField
          placeholder="any price"
          className="input min-h-11 w-28 font-figure text-base"
          value={view.mostPrice}
          onFigure={(mostPrice) => set({ mostPrice })}
        />
        per litre
      </label>
      <span className="basis-full text-base">Without</span>
      {(rules?.allergens ?? []).map((allergen) => (
        <Checkbox
          key={allergen}
          words={allergen}
          on={view.avoid.includes(allergen)}
          onChange={(on) => avoid(allergen, on)}
        />
      ))}
    </fieldset>
  );
}
