import { useQuery } from '@tanstack/react-query';

import { type AxisStanding, rulesQuery } from '@/api';
import type { AxisName } from '@/lib';

interface Props {
  axis: AxisName;
  /** Where it stands as it is poured. */
  plain: AxisStanding;
  /** Where it stands once it is brought back; none where that wasn't searched for. */
  mended: AxisStanding | null;
}

const WIDTH = 74;
const HEIGHT = 34;
const MOST = 3;
const COLOUR: Record<AxisName, string> = { sugar: 'text-sweet', acid: 'text-sharp', abv: 'text-strong' };
const LESS_AND_MORE: Record<AxisName, [string, string]> = {
  sugar: ['drier', 'sweeter'],
  acid: ['less sharp', 'sharper'],
  abv: ['weaker', 'stronger'],
};

/**
 * How far a drink lies from its target on one axis, in noticeable steps to the left or right of the line: the hollow mark as it is poured,
 * the full one once it is brought back. The marks are the axis's own.
 */
export function DistanceMarks({ axis, plain, mended }: Props) {
  const { data: rules } = useQuery(rulesQuery());
  const band = rules?.tasted_steps ?? 0;
  const [poured, back] = [plain.steps[axis], mended?.steps[axis]];
  const words = mended ? `. Rebalanced: ${differenceWords(axis, mended)}` : '';
  return (
    <svg
      width={WIDTH}
      height={HEIGHT}
      role="img"
      aria-label={`1:1: ${differenceWords(axis, plain)}${words}`}
      className={`shrink-0 ${COLOUR[axis]}`}
    >
      {/* What lies within is hard to tell apart. */}
      <rect
        x={at(-band)}
        width={at(band) - at(-band)}
        y={1}
        height={HEIGHT - 2}
        rx={3}
        className="fill-base-300"
        opacity={0.7}
      />
      <line x1={WIDTH / 2} x2={WIDTH / 2} y1={1} y2={HEIGHT - 1} className="stroke-quiet" />
      <line x1={WIDTH / 2} x2={at(poured)} y1={10} y2={10} stroke="currentColor" strokeWidth={2} />
      <Mark axis={axis} x={at(poured)} y={10} hollow />
      {back !== undefined && (
        <>
          <line x1={WIDTH / 2} x2={at(back)} y1={25} y2={25} stroke="currentColor" strokeWidth={4} />
          <Mark axis={axis} x={at(back)} y={25} />
        </>
      )}
    </svg>
  );
}

function Mark({ axis, x, y, hollow = false }: { axis: AxisName; x: number; y: number; hollow?: boolean }) {
  const paint = {
    fill: hollow ? 'var(--color-base-100)' : 'currentColor',
    stroke: 'currentColor',
    strokeWidth: 2,
    strokeLinejoin: 'round' as const,
  };
  if (axis === 'sugar') return <circle cx={x} cy={y} r={5} {...paint} />;
  if (axis === 'acid') return <path d={`M${x} ${y - 6} ${x + 6} ${y + 5} ${x - 6} ${y + 5}Z`} {...paint} />;
  return <rect x={x - 5} y={y - 5} width={10} height={10} {...paint} />;
}

function at(steps: number): number {
  const room = WIDTH / 2 - 8;
  return WIDTH / 2 + (Math.max(-MOST, Math.min(MOST, steps)) / MOST) * room;
}

function differenceWords(axis: AxisName, { steps, tasted }: AxisStanding): string {
  if (!tasted.includes(axis)) return 'on target';
  return LESS_AND_MORE[axis][steps[axis] > 0 ? 1 : 0];
}
