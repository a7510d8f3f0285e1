import { AXIS_NAMES, type AxisName } from '@/lib';
import { AxisMark } from '@/ui';
/** Steps to either side of the middle that a line runs. */
const REACH = 3;

interface AxisProps {
  axis: AxisName;
  steps: number;
  low: number;
  high: number;
  words: string;
}

const COLOUR: Record<AxisName, string> = { sugar: 'bg-sweet', acid: 'bg-sharp', abv: 'bg-strong' };

/** One axis: where the ideal lies from the middle of a home, and how sure that is. */
export function PalateAxis({ axis, steps, low, high, words }: AxisProps) {
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
        <span>{SCALE_ENDS[axis][0]}</span>
        <span>middle of the typical range</span>
        <span>{SCALE_ENDS[axis][1]}</span>
      </div>
    </div>
  );
}

const SCALE_ENDS: Record<AxisName, [string, string]> = {
  sugar: ['drier', 'sweeter'],
  acid: ['less sharp', 'sharper'],
  abv: ['weaker', 'stronger'],
};
