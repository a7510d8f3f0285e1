import type { AxisName } from '@/lib';

interface Props {
  axis: AxisName;
  /** Edge of the square it is drawn in, px. */
  size?: number;
  /** Drawn as an outline: the parent's. */
  hollow?: boolean;
}

const COLOUR: Record<AxisName, string> = { sugar: 'text-sweet', acid: 'text-sharp', abv: 'text-strong' };

/** The sign of an axis, the same everywhere: sweetness a disc, acidity a triangle, strength a square. */
export function AxisMark({ axis, size = 12, hollow = false }: Props) {
  const paint = hollow ? { fill: 'none', stroke: 'currentColor', strokeWidth: 2 } : { fill: 'currentColor' };
  return (
    <svg aria-hidden width={size} height={size} viewBox="0 0 12 12" className={`inline-block shrink-0 ${COLOUR[axis]}`}>
      {axis === 'sugar' && <circle cx={6} cy={6} r={4.8} {...paint} />}
      {axis === 'acid' && <path d="M6 1.2 11.2 10.6H0.8Z" {...paint} />}
      {axis === 'abv' && <rect x={1.6} y={1.6} width={8.8} height={8.8} rx={1} {...paint} />}
    </svg>
  );
}
