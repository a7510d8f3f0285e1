import { curveLinearClosed, line } from 'd3-shape';

import type { Span } from '../../api/client';
import { plain } from '../../lib/format';
import { MARGIN, type Frame, type OnField } from './fieldFrame';
import { roundTicks } from './scales';

const RATIOS = [4, 6, 8, 10, 12, 15, 20];

interface Props {
  on: OnField;
  frame: Frame;
}

/** Sweetness across, acidity up, in noticeable steps: the home, the rays of sugar to acid, the parent, the trail and the drink. */
export function FieldPlane({ on, frame }: Props) {
  const { comparison, family, ghost, published, trail, ranges } = on;
  const { present, parent } = comparison;
  const { x, y, at, width, height, outline } = frame;
  const { sugarLow, sugarHigh, acidLow, acidHigh } = frame.doubt;
  const now = at(present.served);
  const before = at(parent.served);
  const steps = (ghost?.path ?? []).map(at);
  const landing = steps.at(-1);
  const moved = Math.hypot(now.x - before.x, now.y - before.y) > 16;
  // The way from the parent to the drink, by the moves that were made in this window.
  const way = moved || trail.length > 0 ? [before, ...trail.map(at), now] : [];
  const home = line<number[]>(
    ([sugar = 1]) => x(sugar),
    ([, acid = 1]) => y(acid),
  ).curve(curveLinearClosed)(outline);
  // The label of the present stands on the side away from the parent's.
  const roomToTheRight = width - now.x > 70;
  const side = roomToTheRight && !(now.x < before.x && now.x > 150 && moved) ? 'start' : 'end';

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
      {roundTicks(x, 34).map((tick) => (
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
      {roundTicks(y, 24).map((tick) => (
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
      <g clipPath="url(#plane)">
        {home && (
          <path
            d={home}
            className="fill-secondary stroke-secondary"
            strokeWidth={3}
            strokeLinejoin="round"
            opacity={0.9}
            data-testid="home"
          />
        )}
        {RATIOS.map((ratio) => {
          const [low = 1, high = 1] = x.domain();
          return (
            <line
              key={ratio}
              x1={x(low)}
              y1={y(low / ratio)}
              x2={x(high)}
              y2={y(high / ratio)}
              className="stroke-quiet"
              strokeDasharray="2 6"
              opacity={0.55}
            />
          );
        })}
        {published.map(({ name, sugar: [left = 1, right = 1], acid: [bottom = 1, top = 1] }) => (
          <rect
            key={name}
            x={x(left)}
            y={y(top)}
            width={x(right) - x(left)}
            height={y(bottom) - y(top)}
            className="fill-none stroke-quiet"
            strokeWidth={2}
            strokeDasharray="7 4"
            data-testid="published"
          />
        ))}
        <ellipse
          cx={(x(sugarLow) + x(sugarHigh)) / 2}
          cy={(y(acidLow) + y(acidHigh)) / 2}
          rx={(x(sugarHigh) - x(sugarLow)) / 2}
          ry={(y(acidLow) - y(acidHigh)) / 2}
          className="fill-base-content"
          opacity={0.13}
        />
      </g>
      {RATIOS.map((ratio) => {
        const [, high = 1] = y.domain();
        const edge = x(high * ratio);
        if (edge < MARGIN.left + 30 || edge > width - MARGIN.right - 8) return null;
        return (
          <text
            key={ratio}
            x={edge - 6}
            y={MARGIN.top + 13}
            textAnchor="end"
            className="fill-quiet font-figure text-[13px]"
          >
            {ratio} : 1
          </text>
        );
      })}
      {family?.home && home && (
        <text
          x={x(family.home.centre.sugar ?? 1)}
          y={y(Math.min(...outline.map(([, acid = 1]) => acid))) - 8}
          textAnchor="middle"
          className="fill-quiet text-[15px] italic"
        >
          home of the {family.slug}
        </text>
      )}
      {published.map(({ name, sugar: [left = 1], acid: [bottom = 1] }) => (
        <text key={name} x={x(left)} y={y(bottom) + 16} className="fill-quiet text-[14px] italic">
          {name}
        </text>
      ))}
      {ranges.map((span) => (
        <Range key={span.pour} span={span} at={at} />
      ))}
      {way.length > 1 && (
        <polyline
          points={way.map((point) => `${point.x},${point.y}`).join(' ')}
          className="fill-none stroke-base-content"
          strokeWidth={2}
          strokeLinejoin="round"
          data-testid="trail"
        />
      )}
      <circle
        cx={before.x}
        cy={before.y}
        r={8}
        className="fill-base-100 stroke-base-content"
        strokeWidth={2.5}
        data-testid="parent-point"
      />
      {moved && (
        <text
          x={before.x + (side === 'end' ? 14 : -14)}
          y={before.y + 5}
          textAnchor={side === 'end' ? 'start' : 'end'}
          className="fill-base-content text-[16px]"
        >
          parent
        </text>
      )}
      {landing && (
        <>
          <polyline
            points={[now, ...steps].map(({ x, y }) => `${x},${y}`).join(' ')}
            className="fill-none stroke-base-content"
            strokeDasharray="3 4"
            strokeWidth={1.5}
          />
          {steps.slice(0, -1).map((step, index) => (
            <circle
              key={index}
              cx={step.x}
              cy={step.y}
              r={5}
              className="fill-base-100 stroke-base-content"
              strokeWidth={1.5}
            />
          ))}
          <circle
            cx={landing.x}
            cy={landing.y}
            r={13}
            className="fill-none stroke-base-content"
            strokeDasharray="4 3"
            strokeWidth={2.5}
            data-testid="ghost-point"
          />
        </>
      )}
      <circle cx={now.x} cy={now.y} r={9} className="field-dot fill-base-content" data-testid="present-point" />
      <text
        x={now.x + (side === 'end' ? -15 : 15)}
        y={now.y + 6}
        textAnchor={side}
        className="fill-base-content text-[17px] font-semibold"
      >
        now
      </text>
      <text
        x={(MARGIN.left + width) / 2}
        y={height - 8}
        textAnchor="middle"
        className="fill-sweet text-[15px] font-semibold"
      >
        ● sweetness, g sugar / 100 ml
      </text>
      <text
        transform={`translate(15, ${(height - MARGIN.bottom) / 2}) rotate(-90)`}
        textAnchor="middle"
        className="fill-sharp text-[15px] font-semibold"
      >
        ▲ acidity, g / 100 ml
      </text>
    </g>
  );
}

/** Both ends of a pour that is told as a range, and where it should settle. */
function Range({ span, at }: { span: Span; at: Frame['at'] }) {
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
            {plain(ml)}
          </text>
        </g>
      ))}
      <path d={`M${best.x},${best.y - 9}l7,9l-7,9l-7,-9z`} className="fill-base-100 stroke-accent" strokeWidth={2.5} />
    </g>
  );
}
