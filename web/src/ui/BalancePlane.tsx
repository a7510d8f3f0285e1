import { useId, type ReactNode } from 'react';

import { roundTicks, type Scale } from '@/lib';

interface Props {
  /** Sweetness, from left to right. */
  x: Scale;
  /** Acidity, from below. */
  y: Scale;
  height: number;
  /** Corners of the typical range, as sweetness and acidity; none where a drink has no such range. */
  outline?: readonly (readonly number[])[];
  /** Drawn over the typical range and cut at the edges of the plane. */
  children?: ReactNode;
}

/** The plane of sweetness and acidity in noticeable steps: lines at round levels, the axes named, the typical range shaded. */
export function BalancePlane({ x, y, height, outline = [], children }: Props) {
  const clip = useId();
  const [left, right] = x.range;
  const [bottom, top] = y.range;
  const corners = outline.map(([sugar = 1, acid = 1]) => `${x(sugar)},${y(acid)}`);
  return (
    <g className="text-sm">
      <clipPath id={clip}>
        <rect x={left} y={top} width={right - left} height={bottom - top} />
      </clipPath>
      {roundTicks(x, 56).map((tick) => (
        <g key={`x${tick}`}>
          <line x1={x(tick)} x2={x(tick)} y1={top} y2={bottom} className="stroke-base-300" opacity={0.6} />
          <text x={x(tick)} y={bottom + 18} textAnchor="middle" className="fill-quiet font-figure text-[15px]">
            {tick}
          </text>
        </g>
      ))}
      {roundTicks(y, 44).map((tick) => (
        <g key={`y${tick}`}>
          <line x1={left} x2={right} y1={y(tick)} y2={y(tick)} className="stroke-base-300" opacity={0.6} />
          <text x={left - 7} y={y(tick) + 5} textAnchor="end" className="fill-quiet font-figure text-[15px]">
            {tick}
          </text>
        </g>
      ))}
      <g clipPath={`url(#${clip})`}>
        {corners.length > 0 && (
          <polygon
            points={corners.join(' ')}
            className="fill-secondary stroke-secondary"
            strokeWidth={3}
            strokeLinejoin="round"
            opacity={0.9}
            data-testid="typical"
          />
        )}
        {children}
      </g>
      <text x={(left + right) / 2} y={height - 8} textAnchor="middle" className="fill-sweet text-[15px] font-semibold">
        ● Sweetness, g/100 ml
      </text>
      <text
        transform={`translate(15, ${(top + bottom) / 2}) rotate(-90)`}
        textAnchor="middle"
        className="fill-sharp text-[15px] font-semibold"
      >
        ▲ Acidity, g/100 ml
      </text>
    </g>
  );
}
