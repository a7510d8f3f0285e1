import { useWithVolumes } from '@/hooks';
import { Link } from 'react-router';

import type { SavedBatch } from '@/api';
import { dayText, plainNumber } from '@/lib';

/** Whose share is in the bottle: a line of fillings, the newest first, each as wide as its share. */
export function SoleraShares({ batch }: { batch: SavedBatch }) {
  const inUnit = useWithVolumes();
  const { descends, wood, id } = batch;
  if (descends.length < 2) return null;
  return (
    <section aria-label="Refills" className="panel flex flex-col gap-2 p-4">
      <h2 className="font-display text-xl font-semibold">Share of each filling</h2>
      <div aria-hidden className="flex h-7 overflow-hidden rounded-lg border border-base-content">
        {descends.map(({ id: of, share }, index) => (
          <span
            key={of}
            className="h-full border-r border-base-100 bg-sweet last:border-0"
            style={{ width: `${100 * share}%`, opacity: 1 / (1 + 0.7 * index) }}
          />
        ))}
      </div>
      <ol className="flex flex-col">
        {descends.map(({ id: of, name, made_at, share, kept_ml }, index) => (
          <li key={of} className="relative border-l-2 border-base-300 pb-2 pl-4 last:border-transparent">
            <span aria-hidden className="absolute top-1.5 -left-[7px] size-3 rounded-full bg-sweet" />
            <span className="flex items-baseline gap-2">
              {of === id ? (
                <span className="grow text-lg leading-tight font-semibold">{name}</span>
              ) : (
                <Link to={`/service/batches/${of}`} className="grow text-lg leading-tight font-semibold underline">
                  {name}
                </Link>
              )}
              <span className="font-figure text-xl font-semibold whitespace-nowrap">
                {plainNumber(100 * share, 0)}%
              </span>
            </span>
            <span className="text-base text-quiet">
              {dayText(made_at)}
              {kept_ml > 0 &&
                index < descends.length - 1 &&
                inUnit(`, ${plainNumber(kept_ml, 0)} ml of the filling below stayed in`)}
            </span>
          </li>
        ))}
      </ol>
      {wood && <p className="text-base text-quiet">Aged in wood. What wood does isn’t predicted: taste it.</p>}
    </section>
  );
}
