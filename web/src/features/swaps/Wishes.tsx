import { useQuery } from '@tanstack/react-query';

import { rulesQuery } from '../../api/queries/house';
import type { BoardView } from '../../lib/settings';
import { Check } from '../../ui/Check';
import { Chips } from '../../ui/Chips';
import { Figure } from '../../ui/Field';

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
export function Wishes({ view, set }: Props) {
  const { data: rules } = useQuery(rulesQuery());
  const avoid = (allergen: string, on: boolean) =>
    set({ avoid: on ? [...view.avoid, allergen] : view.avoid.filter((each) => each !== allergen) });
  return (
    <fieldset className="flex flex-wrap items-center gap-x-4 border-t border-base-300 pt-1">
      <legend className="sr-only">Filter</legend>
      <span className="basis-full">
        <Chips legend="Stock" inLine options={AT_HAND} value={view.atHand} onChoose={(atHand) => set({ atHand })} />
      </span>
      <Check words="Vegan" on={view.vegan} onChange={(vegan) => set({ vegan })} />
      <Check words="Non-alcoholic" on={view.withoutAlcohol} onChange={(withoutAlcohol) => set({ withoutAlcohol })} />
      <label className="flex min-h-11 items-center gap-2 text-base">
        At most
        <Figure
          placeholder="any price"
          className="input min-h-11 w-28 font-figure text-base"
          value={view.mostPrice}
          onFigure={(mostPrice) => set({ mostPrice })}
        />
        per litre
      </label>
      <span className="basis-full text-base">Without</span>
      {(rules?.allergens ?? []).map((allergen) => (
        <Check
          key={allergen}
          words={allergen}
          on={view.avoid.includes(allergen)}
          onChange={(on) => avoid(allergen, on)}
        />
      ))}
    </fieldset>
  );
}
