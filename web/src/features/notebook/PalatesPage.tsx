import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';

import type { AxisName } from '../../lib/format';
import { changeSettings, useSettings } from '../../lib/settings';
import { AxisMark } from '../../ui/AxisMark';
import { Fold } from '../../ui/Fold';
import { TopBar } from '../../ui/TopBar';
import { Waiting } from '../../ui/Waiting';
import { palateQuery, tastersQuery, useResetPalate } from './useNotebook';
import { AXIS_NAMES } from './words';

const REACH = 3;

/** What each taster likes, learnt from the sheets: looked at, explained, switched on, reset. */
export function PalatesPage() {
  const [query, setQuery] = useSearchParams();
  const { palate: inUse } = useSettings();
  const tasters = useQuery(tastersQuery());
  const who = query.get('taster') ?? inUse ?? '';
  const palate = useQuery(palateQuery(who));
  const reset = useResetPalate();
  // Whose palate is about to be forgotten: a second press does it.
  const [asking, setAsking] = useState<string | null>(null);
  useEffect(() => {
    document.title = 'Palates · Oenomel';
    return () => {
      document.title = 'Oenomel';
    };
  }, []);
  if (!tasters.data || !palate.data) return <Waiting error={tasters.error ?? palate.error} />;
  const found = palate.data;
  const name = who || 'The house';
  const on = inUse === who;
  return (
    <div className="mx-auto flex min-h-dvh max-w-[960px] flex-col gap-4 p-3 sm:p-4">
      <TopBar />
      <main className="flex flex-col gap-3">
        <h1 className="font-display text-3xl font-semibold">Palates</h1>
        <div role="group" aria-label="Whose palate" className="flex flex-wrap gap-1.5">
          {['', ...tasters.data.map(({ taster }) => taster)].map((each) => (
            <button
              key={each}
              type="button"
              aria-pressed={each === who}
              className={`btn min-h-11 px-3 text-base font-normal ${each === who ? 'btn-primary' : 'btn-ghost border-base-300'}`}
              onClick={() => setQuery({ taster: each })}
            >
              {each || 'The house, all together'}
            </button>
          ))}
        </div>
        {found.sheets === 0 ? (
          <section className="panel max-w-prose p-5 text-lg">
            <p>
              Nothing is known of {who ? `${who}’s` : 'the house’s'} palate yet. Taste a few trials: what is said of
              each axis tells where a drink should stand for {who || 'you'}, and how sure that is.
            </p>
          </section>
        ) : (
          <section aria-label={`${name}’s palate`} className="panel p-4 sm:p-5">
            <p className="mb-4 text-xl leading-snug">
              {name}, by {found.sheets === 1 ? 'one sheet' : `${found.sheets} sheets`} of{' '}
              {found.sessions === 1 ? 'one sitting' : `${found.sessions} sittings`}
            </p>
            <div className="flex flex-col gap-5">
              {found.axes.map((axis) => (
                <Axis
                  key={axis.axis}
                  axis={axis.axis as AxisName}
                  steps={axis.steps}
                  low={axis.low}
                  high={axis.high}
                  words={axis.words}
                />
              ))}
            </div>
            <p className="mt-4 max-w-[70ch] text-base text-quiet">
              Each line runs from three noticeable steps below the middle of a family’s home to three above it. The sign
              is the best guess of where a drink should stand; four times in five the truth lies under the bar. A few
              sheets that disagree make the bar wide; they never turn it round.
            </p>
            <div className="mt-4 flex flex-wrap items-center gap-2">
              <button
                type="button"
                aria-pressed={on}
                className={`btn btn-lg text-base ${on ? 'btn-secondary' : 'btn-primary'}`}
                onClick={() => changeSettings({ palate: on ? null : who })}
              >
                {on ? 'In use: switch it off' : 'Use it for proposals and “bring it back”'}
              </button>
              <button
                type="button"
                className="btn btn-ghost btn-lg border-base-300 text-base"
                disabled={reset.isPending}
                onClick={() =>
                  asking === who ? reset.mutate(who, { onSuccess: () => setAsking(null) }) : setAsking(who)
                }
              >
                {asking === who ? 'Yes, forget what was learnt' : 'Learn it anew'}
              </button>
              <span className="text-base text-quiet" role={asking === who ? 'status' : undefined}>
                {asking === who ? 'This can’t be taken back. ' : ''}Its sheets stay with their trials.
              </span>
            </div>
            <div className="mt-3 text-base">
              <Fold title="What it was learnt from" count={found.why.length}>
                <ul className="list-disc pl-5">
                  {found.why.map((each, n) => (
                    <li key={n}>{each}</li>
                  ))}
                </ul>
              </Fold>
            </div>
          </section>
        )}
      </main>
    </div>
  );
}

interface AxisProps {
  axis: AxisName;
  steps: number;
  low: number;
  high: number;
  words: string;
}

const COLOUR: Record<AxisName, string> = { sugar: 'bg-sweet', acid: 'bg-sharp', abv: 'bg-strong' };

/** One axis: where the ideal lies from the middle of a home, and how sure that is. */
function Axis({ axis, steps, low, high, words }: AxisProps) {
  const at = (value: number) => `${(100 * (Math.min(REACH, Math.max(-REACH, value)) + REACH)) / (2 * REACH)}%`;
  return (
    <div>
      <p className="flex flex-wrap items-baseline gap-x-3 text-lg">
        <strong className="font-semibold">{AXIS_NAMES[axis]}</strong> {words}
      </p>
      <div className="relative mt-1 h-9" aria-hidden>
        <div className="absolute inset-x-0 top-1/2 h-0.5 bg-base-300" />
        {[-3, -2, -1, 0, 1, 2, 3].map((tick) => (
          <div
            key={tick}
            className={`absolute top-1/2 w-0.5 -translate-x-1/2 -translate-y-1/2 ${tick === 0 ? 'h-8 bg-base-content' : 'h-3 bg-base-300'}`}
            style={{ left: at(tick) }}
          />
        ))}
        <div
          className={`absolute top-1/2 h-3 -translate-y-1/2 rounded-full opacity-35 ${COLOUR[axis]}`}
          style={{ left: at(low), width: `calc(${at(high)} - ${at(low)})` }}
        />
        <span className="absolute top-1/2 -translate-x-1/2 -translate-y-1/2" style={{ left: at(steps) }}>
          <AxisMark axis={axis} size={22} />
        </span>
      </div>
      <div className="flex justify-between text-sm text-quiet" aria-hidden>
        <span>{ENDS[axis][0]}</span>
        <span>middle of the home</span>
        <span>{ENDS[axis][1]}</span>
      </div>
    </div>
  );
}

const ENDS: Record<AxisName, [string, string]> = {
  sugar: ['drier', 'sweeter'],
  acid: ['softer', 'sharper'],
  abv: ['weaker', 'stronger'],
};
