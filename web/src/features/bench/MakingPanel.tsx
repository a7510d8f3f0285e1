import { SlidersHorizontal } from 'lucide-react';
import { useState } from 'react';

import type { DrinkDetail, Ingredient, Forecast, Spec, Step } from '../../api/client';
import { shownAmount, volume } from '../../lib/format';
import { useSettings } from '../../lib/settings';
import { lockKey } from './draftHistory';
import { methodWords, SCHOOL_OF_WATER } from './methodWords';
import { MakingStep } from './MakingStep';
import type { useTicks } from './useTicks';

interface Props {
  drink: DrinkDetail;
  spec: Spec;
  steps: Step[];
  forecast: Forecast | undefined;
  larder: Ingredient[];
  /** Absent where a kept trial is looked at. */
  hand?: {
    ticks: ReturnType<typeof useTicks>;
    onMethod: () => void;
    /** What was really poured becomes what is written. */
    onWriteSo: () => void;
    onKeep: () => void;
  };
}

/** By which school the water is foreseen, and whether the house's own measurements set it right. */
function schoolOf({ dilution }: Forecast): string {
  const school = SCHOOL_OF_WATER[dilution.model] ?? 'estimate';
  if (dilution.measurements === 0) return school;
  return `${school} and ${dilution.measurements === 1 ? 'a measurement' : `${dilution.measurements} measurements`} of your own`;
}

/** What must not be forgotten at the end. */
const LAST = new Set(['top', 'garnish']);

/** How the drink is made, step by step, to tick off at the bench. */
export function MakingPanel({ drink, spec, steps, forecast, larder, hand }: Props) {
  const { shown } = useSettings();
  const [asked, setAsked] = useState<'' | 'forgotten' | 'made'>('');
  const making = hand?.ticks.making;
  const ticked = new Set(making?.ticked);
  const next = steps.find(({ key }) => !ticked.has(key));
  const begun = steps.some(({ key }) => ticked.has(key));
  const open = steps.filter(({ key, kind }) => LAST.has(kind) && !ticked.has(key));
  const otherwise = spec.pours.filter((pour) => making?.poured[lockKey(pour)]);
  const nameOf = (pour: Spec['pours'][number]) =>
    typeof pour.ingredient === 'string'
      ? (larder.find(({ slug }) => slug === pour.ingredient)?.name ?? pour.ingredient)
      : pour.ingredient.name;
  const told = (pour: Spec['pours'][number], amount = pour) => {
    const { text, word } = shownAmount(Number(amount.amount), amount.unit, shown, spec.ounce_ml);
    return `${text} ${word}`;
  };
  const finish = () => {
    hand?.ticks.made();
    setAsked('made');
  };
  const water =
    forecast &&
    (forecast.dilution.model === 'none'
      ? 'No water from ice.'
      : `The ice gives ${volume(forecast.dilution.water_ml, shown, spec.ounce_ml)}, by ${schoolOf(forecast)}.`);

  return (
    <>
      <div className="shrink-0 px-3 pt-1">
        {hand ? (
          <button
            type="button"
            className="btn btn-ghost h-auto min-h-11 w-full justify-between border-base-300 px-3 py-1 text-left text-base leading-tight"
            title="Technique, seconds, ice, and the schools of the house (M)"
            onClick={hand.onMethod}
          >
            <span>{methodWords(spec.method)}</span> <SlidersHorizontal size={18} aria-hidden />
          </button>
        ) : (
          <p className="font-semibold">{methodWords(spec.method)}</p>
        )}
        <p className="py-1 text-sm text-quiet">{water}</p>
      </div>
      <ol className="min-h-0 grow overflow-y-auto px-1.5 max-xl:max-h-none" aria-label="Steps">
        {steps.map((step) => {
          const pour = step.pour === null ? undefined : spec.pours[step.pour];
          return (
            <MakingStep
              key={step.key}
              step={step}
              done={ticked.has(step.key)}
              next={hand !== undefined && step === next}
              pour={
                pour && step.pour !== null
                  ? { entry: pour, index: step.pour, spec, really: making?.poured[lockKey(pour)] }
                  : null
              }
              {...(hand && {
                onTick: (done: boolean) => {
                  setAsked('');
                  hand.ticks.tick(step.key, done);
                },
                onReally: hand.ticks.pour,
              })}
            />
          );
        })}
      </ol>
      {hand && (
        <div className="shrink-0 border-t border-base-300 px-3 py-2 empty:hidden">
          {otherwise.length > 0 && (
            <div role="status" className="pb-1.5 text-base leading-snug">
              Really poured:{' '}
              {otherwise
                .map(
                  (pour) =>
                    `${nameOf(pour)} ${told(pour, { ...pour, ...making?.poured[lockKey(pour)] })} for ${told(pour)}`,
                )
                .join('; ')}
              . The figures follow.
              <span className="mt-1 flex gap-2">
                <button type="button" className="btn min-h-11 grow text-base font-normal" onClick={hand.onWriteSo}>
                  Write it so
                </button>
                <button
                  type="button"
                  className="btn min-h-11 grow text-base font-normal"
                  onClick={hand.ticks.forgetPoured}
                >
                  As written
                </button>
              </span>
            </div>
          )}
          {asked === 'forgotten' && (
            <div role="alert" className="text-base leading-snug">
              <strong className="font-semibold">Not ticked:</strong> {open.map(({ words }) => words).join('; ')}.
              <span className="mt-1 flex gap-2">
                <button type="button" className="btn btn-primary min-h-11 grow text-base" onClick={() => setAsked('')}>
                  Go back
                </button>
                <button type="button" className="btn min-h-11 grow text-base font-normal" onClick={finish}>
                  Finished all the same
                </button>
              </span>
            </div>
          )}
          {asked === 'made' && (
            <div role="status" className="flex items-center gap-2 text-base">
              <span className="grow">{drink.name} is made. Taste it first.</span>
              <button type="button" className="btn btn-primary min-h-11 text-base" onClick={hand.onKeep}>
                Keep as trial
              </button>
            </div>
          )}
          {asked === '' && begun && (
            <div className="flex items-center gap-2">
              <span className="grow text-base text-quiet">
                {ticked.size} of {steps.length}
              </span>
              <button
                type="button"
                className="btn btn-ghost min-h-11 border-base-300 text-base font-normal"
                onClick={hand.ticks.clear}
              >
                Start over
              </button>
              <button
                type="button"
                className="btn btn-primary min-h-11 text-base"
                onClick={() => (open.length > 0 ? setAsked('forgotten') : finish())}
              >
                Finished
              </button>
            </div>
          )}
        </div>
      )}
    </>
  );
}
