import type { AxisReport } from '@/api';
import { type AxisName, axisUnit, levelText } from '@/lib';
import { AxisMark } from '@/ui';
import { COLOURS, TITLES } from './axisStyle';

interface AxisProps {
  axis: AxisName;
  report: AxisReport;
  parentName: string | undefined;
  /** Where a candidate would bring this axis. */
  landing: number | null;
  onWhy: () => void;
}

/** One figure in one line: what it is, how it changed, and the way to everything else about it. */
export function AxisSentence({ axis, report, parentName, landing, onWhy }: AxisProps) {
  const changed = parentName !== undefined && report.direction !== 'same';
  return (
    <article
      aria-label={TITLES[axis]}
      className="grid min-w-0 content-start items-center gap-x-2 px-2.5 py-1.5 min-[1200px]:content-center min-[1200px]:grid-cols-[6.75rem_5.25rem_minmax(0,1fr)_auto]"
    >
      <h2 className={`text-base font-semibold [overflow-wrap:normal] sm:text-lg ${COLOURS[axis]}`}>
        <span className="flex items-center gap-1.5">
          <AxisMark axis={axis} size={14} /> {TITLES[axis]}
        </span>
      </h2>
      <p>
        <span data-testid={`${axis}-now`} className="font-figure text-3xl leading-none font-semibold sm:text-[2rem]">
          {levelText(report.value, axis)}
        </span>
        <span className="block text-sm leading-tight text-quiet">{axisUnit(axis)}</span>
      </p>
      <p className="text-base leading-tight font-semibold">
        {landing !== null ? `would be ${levelText(landing, axis)}` : parentName ? report.headline : ''}
        {changed && landing === null && (
          <span className="block text-base font-normal text-quiet">from {levelText(report.parent, axis)}</span>
        )}
      </p>
      <button
        type="button"
        className="btn btn-ghost btn-sm -ml-2 min-h-9 justify-self-start px-2 text-base font-normal underline decoration-dotted underline-offset-4 min-[1200px]:ml-0"
        aria-label={`Why this ${TITLES[axis].toLowerCase()}?`}
        title={`Why this ${TITLES[axis].toLowerCase()}?`}
        onClick={onWhy}
      >
        Why?
      </button>
    </article>
  );
}
