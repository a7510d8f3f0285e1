import type { Span } from '@/api';
import { plainNumber } from '@/lib';
import type { Frame } from './fieldFrame';

/** Both ends of a pour that is told as a range, and where it should settle. */
export function RangeSpan({ span, at }: { span: Span; at: Frame['at'] }) {
  const [low, best, high] = [at(span.low), at(span.best), at(span.high)];
  return (
    <g data-testid="range">
      <line
        x1={low.x}
        y1={low.y}
        x2={high.x}
        y2={high.y}
        className="stroke-accent"
        strokeWidth={6}
        strokeLinecap="round"
        opacity={0.35}
      />
      {[
        { point: low, ml: span.low.pour_ml },
        { point: high, ml: span.high.pour_ml },
      ].map(({ point, ml }) => (
        <g key={ml}>
          <circle cx={point.x} cy={point.y} r={5} className="fill-accent" />
          <text x={point.x} y={point.y - 9} textAnchor="middle" className="fill-base-content font-figure text-[14px]">
            {plainNumber(ml)}
          </text>
        </g>
      ))}
      <path d={`M${best.x},${best.y - 9}l7,9l-7,9l-7,-9z`} className="fill-base-100 stroke-accent" strokeWidth={2.5} />
    </g>
  );
}
