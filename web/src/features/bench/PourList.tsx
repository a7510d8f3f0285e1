import { LocateFixed, Plus } from 'lucide-react';

import type { Finding, Ingredient, PourEntry, Prediction, Spec } from '../../api/client';
import { volume } from '../../lib/format';
import { useSettings } from '../../lib/settings';
import { withPour } from './draftHistory';
import { MethodBar } from './MethodBar';
import type { OnMend } from './Mends';
import { PourRow } from './PourRow';
import { STAGE_GROUPS } from './stages';
import { WhatToMend } from './WhatToMend';

interface Props {
  spec: Spec;
  /** The parent's spec: what changed is marked. */
  parent: Spec;
  /** Undefined until the first figures are there. */
  forecast: Prediction | undefined;
  /** What only shows beside the parent. */
  besideParent?: Finding[] | undefined;
  larder: Ingredient[];
  /** Absent where a kept trial is looked at. */
  onChange?: (of: (spec: Spec) => Spec, what: string) => void;
  onChoose?: (pour: number) => void;
  onAdd?: () => void;
  onMend?: OnMend;
  /** Whether a pour is locked, and what locks or frees it. */
  locks?: { locked: (index: number) => boolean | undefined; onLock: (index: number) => void };
  onBringBack?: () => void;
}

/** The pours, grouped by when they go in, and how the tin is worked. */
export function PourList({
  spec,
  parent,
  forecast,
  larder,
  besideParent = [],
  onChange,
  onChoose,
  onAdd,
  onMend,
  locks,
  onBringBack,
}: Props) {
  const { shown } = useSettings();
  const bySlug = new Map(larder.map((ingredient) => [ingredient.slug, ingredient]));
  // Right after a pour was added or taken out, the last figures are still those of the drink before.
  const shares = forecast?.pours.length === spec.pours.length ? forecast.pours : undefined;
  return (
    <>
      <div className="min-h-0 grow overflow-y-auto px-2 pt-3">
        {STAGE_GROUPS.map(({ title, stages }) => {
          const rows = spec.pours.flatMap((pour, index) => (stages.includes(pour.stage) ? [{ pour, index }] : []));
          if (rows.length === 0) return null;
          return (
            <section key={title} aria-label={title} className="mb-2">
              <h2 className="flex items-baseline gap-2 px-2 font-display text-lg font-semibold">
                {title}
                {title === 'In the tin' && forecast && (
                  <span className="font-sans text-base font-normal text-quiet">
                    {volume(forecast.undiluted.volume_ml, shown, spec.ounce_ml)}
                  </span>
                )}
              </h2>
              <ul>
                {rows.map(({ pour, index }) => (
                  <PourRow
                    key={index}
                    pour={pour}
                    before={counterpart(pour, index, parent)}
                    ingredient={typeof pour.ingredient === 'string' ? bySlug.get(pour.ingredient) : undefined}
                    nameBefore={(slug) => bySlug.get(slug)?.name ?? slug}
                    share={shares?.[index]}
                    ounceMl={spec.ounce_ml}
                    {...(onChange && {
                      onAmount: (amount: number, unit: PourEntry['unit']) =>
                        onChange(
                          (present) => withPour(present, index, { amount, unit, said: null }),
                          `amount ${index}`,
                        ),
                    })}
                    {...(locks && { locked: locks.locked(index), onLock: () => locks.onLock(index) })}
                    {...(onChoose && { onChoose: () => onChoose(index) })}
                  />
                ))}
              </ul>
            </section>
          );
        })}
      </div>
      {onAdd && (
        <div className="flex flex-wrap gap-2 border-t border-base-300 px-3 py-1.5">
          <button
            type="button"
            className="btn btn-ghost min-h-11 gap-2 text-base"
            title="Add a pour (A)"
            onClick={onAdd}
          >
            <Plus size={20} aria-hidden /> Add a pour
          </button>
          {onBringBack && (
            <button
              type="button"
              className="btn btn-ghost min-h-11 gap-2 border-base-300 text-base"
              title="What brings it back to its parent, or home (B)"
              onClick={onBringBack}
            >
              <LocateFixed size={20} aria-hidden /> Bring it back
            </button>
          )}
        </div>
      )}
      {forecast && <WhatToMend findings={[...besideParent, ...forecast.findings]} onMend={onMend} />}
      <MethodBar spec={spec} forecast={forecast} {...(onChange && { onChange })} />
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
