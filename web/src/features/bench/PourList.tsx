import { LocateFixed, Plus } from 'lucide-react';
import type { ReactNode } from 'react';

import type { Finding, Ingredient, PourEntry, Forecast, Spec } from '../../api/client';
import { volume } from '../../lib/format';
import { useSettings } from '../../lib/settings';
import { withPour } from './draftHistory';
import { methodWords } from './methodWords';
import type { OnMend } from './Mends';
import { PourRow } from './PourRow';
import { STAGE_GROUPS } from './stages';
import { WhatToMend } from './WhatToMend';

interface Props {
  spec: Spec;
  /** The parent's spec: what changed is marked. */
  parent: Spec;
  /** Undefined until the first figures are there. */
  forecast: Forecast | undefined;
  /** What only shows beside the parent. */
  besideParent?: Finding[] | undefined;
  larder: Ingredient[];
  /** Absent where a kept trial is looked at. */
  hand?: {
    onChange: (of: (spec: Spec) => Spec, what: string) => void;
    onChoose: (pour: number) => void;
    onMore: (pour: number) => void;
    onAdd: () => void;
    onMend: OnMend;
    locked: (index: number) => boolean | undefined;
    onLock: (index: number) => void;
    /** The optional pour that is left out for the moment. */
    out: number | null;
    onOut: (index: number) => void;
    onBringBack: () => void;
  };
  /** What each pour brings; undefined for one that is left out, or whose figures aren't there yet. */
  brings: (Forecast['pours'][number] | undefined)[];
  /** What stands below the pours, as far as there is room. */
  below?: ReactNode;
  /** What stands below them in any case. */
  foot?: ReactNode;
}

/** From how many rows on they stand closer. */
const CROWDED = 8;

/** The pours, grouped by when they go in. */
export function PourList({ spec, parent, forecast, larder, brings, besideParent = [], hand, below, foot }: Props) {
  const { shown } = useSettings();
  const bySlug = new Map(larder.map((ingredient) => [ingredient.slug, ingredient]));
  const nameOf = (slug: string) => bySlug.get(slug)?.name ?? slug;
  const findings = [...besideParent, ...(forecast?.findings ?? [])];
  return (
    <>
      <div
        className={`min-h-0 grow overflow-y-auto px-1.5 pt-2 ${spec.pours.length >= CROWDED ? 'pours-crowded' : ''}`}
      >
        {STAGE_GROUPS.map(({ title, stages }) => {
          const rows = spec.pours.flatMap((pour, index) => (stages.includes(pour.stage) ? [{ pour, index }] : []));
          if (rows.length === 0) return null;
          return (
            <section key={title} aria-label={title} className="pour-group">
              <h2 className="flex items-baseline gap-2 px-2 font-display text-base leading-6 font-semibold">
                {title}
                {title === 'In the tin' && forecast && (
                  <span className="font-sans text-base font-normal text-quiet">
                    {volume(forecast.undiluted.volume_ml, shown, spec.ounce_ml)},{' '}
                    {methodWords(spec.method).toLowerCase()}
                  </span>
                )}
              </h2>
              <ul>
                {rows.map(({ pour, index }) => (
                  <PourRow
                    key={index}
                    spec={spec}
                    index={index}
                    before={counterpart(pour, index, parent)}
                    ingredient={typeof pour.ingredient === 'string' ? bySlug.get(pour.ingredient) : undefined}
                    nameOf={nameOf}
                    share={brings[index]}
                    wrong={findings.find((each) => each.pour === index && each.severity !== 'info')}
                    {...(hand && {
                      locked: hand.locked(index),
                      out: hand.out === index,
                      onLock: () => hand.onLock(index),
                      onOut: () => hand.onOut(index),
                      onAmount: (change: Partial<PourEntry>) =>
                        hand.onChange((present) => withPour(present, index, change), `amount ${index}`),
                      onChoose: () => hand.onChoose(index),
                      onMore: () => hand.onMore(index),
                    })}
                  />
                ))}
              </ul>
            </section>
          );
        })}
        {below}
      </div>
      {foot}
      {forecast && <WhatToMend findings={findings} onMend={hand?.onMend} />}
      {hand && (
        <div className="flex shrink-0 gap-2 border-t border-base-300 px-2.5 py-1.5">
          <button
            type="button"
            className="btn btn-ghost min-h-11 gap-1.5 px-3 text-base"
            title="Add a pour (A)"
            onClick={hand.onAdd}
          >
            <Plus size={20} aria-hidden /> Add a pour
          </button>
          <button
            type="button"
            className="btn btn-secondary ml-auto min-h-11 gap-1.5 px-3 text-base"
            title="What brings it back to its parent, or home (B)"
            onClick={hand.onBringBack}
          >
            <LocateFixed size={20} aria-hidden /> Bring it back <kbd className="kbd max-lg:hidden">B</kbd>
          </button>
        </div>
      )}
    </>
  );
}

/** The parent's pour that this one stands for: the same ingredient, or else the same place and slot. */
function counterpart(pour: PourEntry, index: number, parent: Spec): PourEntry | undefined {
  const same = parent.pours.find(
    ({ ingredient, slot }) => slot === pour.slot && sameIngredient(ingredient, pour.ingredient),
  );
  const inPlace = parent.pours[index];
  return same ?? (inPlace?.slot === pour.slot ? inPlace : parent.pours.find(({ slot }) => slot === pour.slot));
}

function sameIngredient(a: PourEntry['ingredient'], b: PourEntry['ingredient']): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}
