import type { Comparison } from '@/api';
import { roundTicks, stepScale, type Scale } from '@/lib';

interface Props {
  comparison: Comparison;
  /** The family's strengths at home, % ABV. */
  home: number[] | undefined;
  /** Strength of a candidate's landing. */
  ghost: number | undefined;
  width: number;
  height: number;
  margin: { top: number; bottom: number };
  /** Strengths below count as this. */
  floor: number;
}

/** Strength on a rule of its own, in the same noticeable steps as the field. */
export function StrengthRule({ comparison, home, ghost, width, height, margin, floor }: Props) {
  const { present, parent } = comparison;
  const [low = 0, high = 0] = present.interval80.abv;
  const [homeLow = 0, homeHigh = 0] = home ?? [];
  const levels = [
    present.served.abv,
    parent.served.abv,
    low,
    high,
    ...(home ?? []),
    ...(ghost === undefined ? [] : [ghost]),
  ];
  const y = stepScale(levels, [height - margin.bottom, margin.top], floor);
  const at = (abv: number) => y(Math.max(abv, floor));
  const middle = width / 2 + 8;
  return (
    <g>
      {home && (
        <rect
          x={middle - 9}
          width={18}
          rx={9}
          y={at(homeHigh)}
          height={at(homeLow) - at(homeHigh)}
          className="fill-secondary"
        />
      )}
      <line
        x1={middle}
        x2={middle}
        y1={margin.top}
        y2={height - margin.bottom}
        className="stroke-base-content"
        strokeWidth={1.5}
      />
      <Ticks y={y} middle={middle} />
      <rect
        x={middle - 5}
        width={10}
        y={at(high)}
        height={Math.max(1, at(low) - at(high))}
        className="fill-base-content"
        opacity={0.18}
      />
      <rect
        x={middle - 8}
        y={at(parent.served.abv) - 8}
        width={16}
        height={16}
        className="fill-base-100 stroke-strong"
        strokeWidth={2.5}
      />
      {ghost !== undefined && (
        <rect
          x={middle - 9}
          y={at(ghost) - 9}
          width={18}
          height={18}
          className="fill-none stroke-strong"
          strokeDasharray="3 3"
          strokeWidth={2.5}
        />
      )}
      <rect
        x={middle - 8}
        y={at(present.served.abv) - 8}
        width={16}
        height={16}
        className="fill-strong"
        data-testid="present-strength"
      />
      <RuleLabels middle={middle} height={height} bottom={margin.bottom} />
    </g>
  );
}

function Ticks({ y, middle }: { y: Scale; middle: number }) {
  return roundTicks(y, 56).map((tick) => (
    <g key={tick}>
      <line x1={middle - 5} x2={middle + 5} y1={y(tick)} y2={y(tick)} className="stroke-base-content" />
      <text x={middle - 13} y={y(tick) + 5} textAnchor="end" className="fill-quiet font-figure text-[15px]">
        {tick}
      </text>
    </g>
  ));
}

function RuleLabels({ middle, height, bottom }: { middle: number; height: number; bottom: number }) {
  const look = 'fill-strong text-[15px] font-semibold';
  return (
    <>
      <text x={middle} y={height - bottom + 20} textAnchor="middle" className={look}>
        ■ Strength
      </text>
      <text x={middle} y={height - 8} textAnchor="middle" className={look}>
        % ABV
      </text>
    </>
  );
}
