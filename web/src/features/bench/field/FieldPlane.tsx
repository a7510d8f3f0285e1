import { roundTicks } from '@/lib';
import { MARGIN, type Frame, type OnField } from './fieldFrame';
import { HomeAndRays, RayWords } from './HomeAndRays';
import { Trail } from './Trail';
import { RangeSpan } from './RangeSpan';

interface Props {
  on: OnField;
  frame: Frame;
}

/** Sweetness across, acidity up, in noticeable steps: the home, the rays of sugar to acid, the parent, the trail and the drink. */
export function FieldPlane({ on, frame }: Props) {
  const { x, y, at, width, height, doubt } = frame;
  return (
    <g className="text-sm">
      <clipPath id="plane">
        <rect
          x={MARGIN.left}
          y={MARGIN.top}
          width={width - MARGIN.left - MARGIN.right}
          height={height - MARGIN.top - MARGIN.bottom}
        />
      </clipPath>
      <Grid frame={frame} />
      <g clipPath="url(#plane)">
        <HomeAndRays on={on} frame={frame} />
        <ellipse
          cx={(x(doubt.sugarLow) + x(doubt.sugarHigh)) / 2}
          cy={(y(doubt.acidLow) + y(doubt.acidHigh)) / 2}
          rx={(x(doubt.sugarHigh) - x(doubt.sugarLow)) / 2}
          ry={(y(doubt.acidLow) - y(doubt.acidHigh)) / 2}
          className="fill-base-content"
          opacity={0.13}
        />
      </g>
      <RayWords on={on} frame={frame} />
      {on.ranges.map((span) => (
        <RangeSpan key={span.pour} span={span} at={at} />
      ))}
      <Trail on={on} frame={frame} />
      <text
        x={(MARGIN.left + width) / 2}
        y={height - 8}
        textAnchor="middle"
        className="fill-sweet text-[15px] font-semibold"
      >
        ● Sweetness, g/100 ml
      </text>
      <text
        transform={`translate(15, ${(height - MARGIN.bottom) / 2}) rotate(-90)`}
        textAnchor="middle"
        className="fill-sharp text-[15px] font-semibold"
      >
        ▲ Acidity, g/100 ml
      </text>
    </g>
  );
}

/** Lines at round levels. */
function Grid({ frame: { x, y, width, height } }: { frame: Frame }) {
  return (
    <>
      {roundTicks(x, 64).map((tick) => (
        <g key={`x${tick}`}>
          <line
            x1={x(tick)}
            x2={x(tick)}
            y1={MARGIN.top}
            y2={height - MARGIN.bottom}
            className="stroke-base-300"
            opacity={0.6}
          />
          <text
            x={x(tick)}
            y={height - MARGIN.bottom + 18}
            textAnchor="middle"
            className="fill-quiet font-figure text-[15px]"
          >
            {tick}
          </text>
        </g>
      ))}
      {roundTicks(y, 56).map((tick) => (
        <g key={`y${tick}`}>
          <line
            x1={MARGIN.left}
            x2={width - MARGIN.right}
            y1={y(tick)}
            y2={y(tick)}
            className="stroke-base-300"
            opacity={0.6}
          />
          <text x={MARGIN.left - 7} y={y(tick) + 5} textAnchor="end" className="fill-quiet font-figure text-[15px]">
            {tick}
          </text>
        </g>
      ))}
    </>
  );
}
