import { memo, useState } from 'react';

import type { AxisReport, Comparison, Forecast, Spec } from '../../api/client';
import { axisUnit, level, type AxisName } from '../../lib/format';
import { AxisMark } from '../../ui/AxisMark';
import type { Figure } from './useForecast';
import { WhyDialog } from './WhyDialog';

interface Props {
  spec: Spec;
  comparison: Comparison | undefined;
  /** What it is held against; undefined where there is no parent. */
  parentName?: string | undefined;
  /** A candidate under the hand, and what it would make of the drink. */
  tried?: { served: Record<AxisName, number> } | null;
}

const TITLES: Record<AxisName, string> = { sugar: 'Sweetness', acid: 'Acidity', abv: 'Strength' };
const COLOURS: Record<AxisName, string> = { sugar: 'text-sweet', acid: 'text-sharp', abv: 'text-strong' };

/** Three plain sentences: the number, how it changed, whether it can be tasted, and how sure that is. */
export const Sentences = memo(function Sentences({ spec, comparison, parentName, tried }: Props) {
  const [explaining, setExplaining] = useState<Figure | null>(null);
  if (!comparison) return <p className="p-4 text-quiet">Working out the balance…</p>;
  const nothingMoved = comparison.unseen.length === 0 && comparison.axes.every(({ direction }) => direction === 'same');
  return (
    <>
      {parentName && (
        <Headline
          headline={comparison.headline}
          unseen={comparison.unseen}
          nothingMoved={nothingMoved}
          parentName={parentName}
        />
      )}
      <div className="grid grid-cols-3 divide-x divide-base-300" aria-live="polite">
        {comparison.axes.map((report) => (
          <AxisSentence
            key={report.axis}
            axis={report.axis as AxisName}
            report={report}
            forecast={comparison.present}
            onWhy={() => setExplaining(report.axis as Figure)}
            parentName={parentName}
            landing={tried ? tried.served[report.axis as AxisName] : null}
          />
        ))}
      </div>
      {explaining && (
        <WhyDialog
          figure={explaining}
          spec={spec}
          comparison={comparison}
          parentName={parentName}
          onClose={() => setExplaining(null)}
        />
      )}
    </>
  );
});

interface HeadlineProps {
  headline: Comparison['headline'];
  /** What composition can't see of what came in. */
  unseen: string[];
  nothingMoved: boolean;
  parentName: string;
}

/** The riff in one breath: what was changed, what it does, whether a guest would notice. */
function Headline({ headline, unseen, nothingMoved, parentName }: HeadlineProps) {
  return (
    <div
      aria-label="The riff in one breath"
      role="note"
      className="hidden border-b border-base-300 px-3 py-1.5 leading-tight min-[760px]:block"
    >
      {nothingMoved && !headline.change ? (
        <p className="text-base text-quiet">
          Nothing is moved yet. Change an amount, or press a pour’s name to swap it: what that does beside {parentName}{' '}
          is told here.
        </p>
      ) : (
        <>
          <p className="truncate text-base text-quiet" title={headline.change}>
            {headline.change}
          </p>
          <p className="font-display text-xl leading-tight font-semibold">{headline.effect}.</p>
          <p className="text-base leading-tight">{headline.noticed}</p>
          {unseen[0] && (
            <p className="truncate text-base leading-tight text-quiet" title={unseen.join(' ')}>
              {unseen[0]}
            </p>
          )}
        </>
      )}
    </div>
  );
}

interface AxisProps {
  axis: AxisName;
  report: AxisReport;
  forecast: Forecast;
  parentName: string | undefined;
  /** Where a candidate would bring this axis. */
  landing: number | null;
  onWhy: () => void;
}

function AxisSentence({ axis, report, forecast, parentName, landing, onWhy }: AxisProps) {
  const [low = 0, high = 0] = forecast.interval80[axis];
  const driver = forecast.doubt[axis].drivers[0];
  const doubt = (high - low) / 2;
  return (
    <article aria-label={TITLES[axis]} className="min-w-0 px-2 py-1.5 sm:px-2.5">
      <div className="flex flex-wrap items-center sm:flex-nowrap">
        <h2 className={`flex grow items-center gap-1.5 text-base font-semibold sm:text-lg ${COLOURS[axis]}`}>
          <AxisMark axis={axis} size={14} /> {TITLES[axis]}
        </h2>
        <button
          type="button"
          className="btn btn-ghost btn-sm -my-1 -ml-2 min-h-9 px-2 sm:px-1 sm:-mr-1 sm:ml-0 text-base font-normal underline decoration-dotted underline-offset-4"
          aria-label={`Why this ${TITLES[axis].toLowerCase()}`}
          onClick={onWhy}
        >
          why?
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
          <p className="hidden text-[15px] leading-tight min-[760px]:block">{report.sentence}</p>
        </>
      ) : (
        <p className="mt-1 text-base">The first of its line: nothing to hold it against.</p>
      )}
      <div className="mt-1 hidden text-[15px] leading-tight text-quiet min-[760px]:block">
        <p title="Four times out of five the drink lies within this">
          give or take {level(doubt, axis)}
          {parentName && report.certainty && <>; {report.certainty}</>}
        </p>
        {driver && (
          <p>
            {driver.subject} explains {(100 * driver.share).toFixed(0)}&nbsp;%
          </p>
        )}
      </div>
    </article>
  );
}
