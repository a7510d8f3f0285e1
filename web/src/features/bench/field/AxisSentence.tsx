import { Link } from 'react-router';

import type { AxisReport, Forecast } from '../../../api/client';
import { axisUnit, level, type AxisName } from '../../../lib/format';
import { AxisMark } from '../../../ui/AxisMark';
import { COLOURS, TITLES } from './axisLook';

interface AxisProps {
  axis: AxisName;
  report: AxisReport;
  forecast: Forecast;
  parentName: string | undefined;
  /** Where a candidate would bring this axis. */
  landing: number | null;
  onWhy: () => void;
}

export function AxisSentence({ axis, report, forecast, parentName, landing, onWhy }: AxisProps) {
  const [low = 0, high = 0] = forecast.interval80[axis];
  const driver = forecast.doubt[axis].drivers[0];
  const doubt = (high - low) / 2;
  return (
    <article aria-label={TITLES[axis]} className="min-w-0 px-2 py-1.5 sm:px-2.5">
      <div className="flex flex-wrap items-center sm:flex-nowrap">
        <h2
          className={`flex grow items-center gap-1.5 text-base font-semibold [overflow-wrap:normal] sm:text-lg ${COLOURS[axis]}`}
        >
          <AxisMark axis={axis} size={14} /> {TITLES[axis]}
        </h2>
        <button
          type="button"
          className="btn btn-ghost btn-sm -my-1 -ml-2 min-h-9 px-2 sm:px-1 sm:-mr-1 sm:ml-0 text-base font-normal underline decoration-dotted underline-offset-4"
          aria-label={`Why this ${TITLES[axis].toLowerCase()}?`}
          onClick={onWhy}
        >
          Why?
        </button>
      </div>
      <p>
        <span data-testid={`${axis}-now`} className="font-figure text-3xl leading-none font-semibold sm:text-[2.1rem]">
          {level(report.value, axis)}
        </span>
      </p>
      {landing !== null ? (
        <p className="text-sm font-semibold sm:text-base">would be {level(landing, axis)}</p>
      ) : (
        <p className="text-sm leading-tight text-quiet">
          <span className={parentName && report.direction !== 'same' ? 'max-[759px]:hidden' : ''}>
            {axisUnit(axis)}
          </span>
          {parentName && report.direction !== 'same' && (
            <>
              <span className="max-[759px]:hidden">, </span>from {level(report.parent, axis)}
            </>
          )}
        </p>
      )}
      {parentName ? (
        <>
          <p className="mt-0.5 text-base leading-tight font-semibold sm:text-lg">{report.headline}</p>
          <p className="hidden text-[15px] leading-tight min-[760px]:block">{report.made_by || report.sentence}</p>
        </>
      ) : (
        <p className="mt-1 text-base">This is trial 1. Nothing to compare it with yet.</p>
      )}
      <div className="mt-1 hidden text-[15px] leading-tight text-quiet min-[760px]:block">
        <p title="Four times out of five the drink lies within this">
          give or take {level(doubt, axis)}
          {parentName && report.certainty && <>; {report.certainty}</>}
        </p>
        {driver && (
          <p>
            {driver.cause === 'ingredient' ? (
              <Link
                className="underline decoration-dotted underline-offset-4"
                title="Log today’s and measure it"
                to={`/lots?note=${encodeURIComponent(driver.subject)}`}
              >
                {driver.subject}
              </Link>
            ) : (
              driver.subject
            )}{' '}
            explains {(100 * driver.share).toFixed(0)}&nbsp;%
          </p>
        )}
      </div>
    </article>
  );
}
