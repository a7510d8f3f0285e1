import { memo } from 'react';

import type { AxisReport, Comparison, Prediction } from '../../api/client';
import { axisUnit, level, type AxisName } from '../../lib/format';
import { AxisMark } from '../../ui/AxisMark';

interface Props {
  comparison: Comparison | undefined;
  /** What it is held against; undefined where there is no parent. */
  parentName?: string | undefined;
  /** A candidate under the hand, and what it would make of the drink. */
  tried?: { name: string; served: Prediction['served'] } | null;
}

const TITLES: Record<AxisName, string> = { sugar: 'Sweetness', acid: 'Acidity', abv: 'Strength' };
const COLOURS: Record<AxisName, string> = { sugar: 'text-sweet', acid: 'text-sharp', abv: 'text-strong' };

/** Three plain sentences: the number, how it changed, whether it can be tasted, and how sure that is. */
export const Sentences = memo(function Sentences({ comparison, parentName, tried }: Props) {
  if (!comparison) return <p className="p-4 text-quiet">Working out the balance…</p>;
  const nothingMoved = comparison.unseen.length === 0 && comparison.axes.every(({ direction }) => direction === 'same');
  return (
    <>
      <div className="grid grid-cols-3 divide-x divide-base-300" aria-live="polite">
        {comparison.axes.map((report) => (
          <AxisSentence
            key={report.axis}
            axis={report.axis as AxisName}
            report={report}
            interval={comparison.present.interval80[report.axis as AxisName]}
            parentName={parentName}
            landing={tried ? tried.served[report.axis as AxisName] : null}
          />
        ))}
      </div>
      {parentName && !tried && nothingMoved && (
        <p className="hidden border-t border-base-300 px-4 py-3 text-lg text-quiet sm:block">
          Nothing is moved yet. Change an amount, or choose a pour to put something else in its place: what that does,
          beside {parentName}, is told here.
        </p>
      )}
      {tried && (
        <p className="hidden border-t border-base-300 px-4 py-2 text-base sm:block">
          <strong className="font-semibold">{tried.name}</strong>, measure for measure: the ring on the field shows
          where it would land.
        </p>
      )}
      {!tried && comparison.unseen.length > 0 && (
        <p className="hidden border-t border-base-300 px-4 py-2 text-base sm:block">
          <strong className="font-semibold">The numbers can’t see</strong> {comparison.unseen.join(' ')}{' '}
          <span className="text-quiet">An impression of the trade.</span>
        </p>
      )}
    </>
  );
});

interface AxisProps {
  axis: AxisName;
  report: AxisReport;
  interval: number[];
  parentName: string | undefined;
  /** Where a candidate would bring this axis. */
  landing: number | null;
}

function AxisSentence({ axis, report, interval, parentName, landing }: AxisProps) {
  const [low = 0, high = 0] = interval;
  const doubt = (high - low) / 2;
  return (
    <article aria-label={TITLES[axis]} className="px-2 py-2 sm:px-3.5 sm:py-2.5">
      <h2 className={`flex items-center gap-1.5 text-base font-semibold sm:text-lg ${COLOURS[axis]}`}>
        <AxisMark axis={axis} size={14} /> {TITLES[axis]}
      </h2>
      <p className="flex flex-wrap items-baseline gap-x-2">
        <span data-testid={`${axis}-now`} className="font-figure text-3xl leading-none font-semibold sm:text-[2.1rem]">
          {level(report.value, axis)}
        </span>
        <span className="text-sm text-quiet">{axisUnit(axis)}</span>
      </p>
      {landing !== null ? (
        <p className="text-sm font-semibold sm:text-base">would be {level(landing, axis)}</p>
      ) : (
        parentName &&
        report.direction !== 'same' && (
          <p className="text-sm text-quiet sm:text-base">from {level(report.parent, axis)}</p>
        )
      )}
      {parentName ? (
        <>
          <p className="mt-1 text-base leading-snug font-semibold sm:text-lg">{report.headline}</p>
          <p className="hidden text-base leading-snug sm:block">{report.sentence}</p>
        </>
      ) : (
        <p className="mt-1 text-base">The first of its line: nothing to hold it against.</p>
      )}
      <p
        className="mt-1 hidden text-base text-quiet sm:block"
        title="Four times out of five the drink lies within this"
      >
        give or take {level(doubt, axis)}
      </p>
    </article>
  );
}
