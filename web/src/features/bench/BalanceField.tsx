import { line, curveLinearClosed } from 'd3-shape';
import { memo, useState } from 'react';

import type { Comparison, Family, Prediction } from '../../api/client';
import { level, type AxisName } from '../../lib/format';
import { useSize } from '../../ui/useSize';
import { roundTicks, stepScale } from './scales';
import { StrengthRule } from './StrengthRule';

type Served = Prediction['served'];

interface Props {
  comparison: Comparison | undefined;
  family: Family | undefined;
  /** Where a candidate leads: as poured, and where that isn't the end, once it is brought back. */
  ghost: { name: string; path: Record<AxisName, number>[] } | null;
  /** What is tried on, if anything is. */
  tried?: string | undefined;
}

const RULE_WIDTH = 104;
const MARGIN = { top: 14, right: 12, bottom: 48, left: 58 };
const FLOOR = { sugar: 0.3, acid: 0.03 };
const RATIOS = [4, 6, 8, 10, 12, 15, 20];

/** Sweetness across, acidity up: the family's home, the parent and the drink as it is now; strength on its own rule beside. */
export const BalanceField = memo(function BalanceField({ comparison, family, ghost, tried }: Props) {
  const { ref, size } = useSize<HTMLDivElement>();
  const [showPublished, setShowPublished] = useState(false);
  const published = showPublished ? (family?.published ?? []) : [];
  return (
    <div className="flex h-full min-h-[300px] flex-col px-2 pt-3">
      <div className="flex items-center gap-3 px-2">
        <h2 className="grow font-display text-lg font-semibold">
          Where it stands{' '}
          <span className="font-sans text-base font-normal text-quiet">
            {tried ? `trying on ${tried}` : ghost ? `the ring: with ${ghost.name}` : 'as served, beside its parent'}
          </span>
        </h2>
        {family && family.published.length > 0 && (
          <button
            type="button"
            aria-pressed={showPublished}
            title="Ranges of balanced drinks as they were published; an overlay, no law"
            className={`btn btn-sm min-h-9 text-base font-normal ${showPublished ? 'btn-primary' : 'btn-ghost border-base-300'}`}
            onClick={() => setShowPublished(!showPublished)}
          >
            Published
          </button>
        )}
      </div>
      <div ref={ref} className="min-h-0 grow">
        {comparison && size.width > 0 && size.height > 0 && (
          <svg width={size.width} height={size.height} role="img" aria-label={spoken(comparison)} className="block">
            <Plane
              comparison={comparison}
              family={family}
              ghost={ghost}
              published={published}
              width={size.width - RULE_WIDTH}
              height={size.height}
            />
            <g transform={`translate(${size.width - RULE_WIDTH}, 0)`}>
              <StrengthRule
                comparison={comparison}
                home={family?.home?.strength}
                ghost={ghost?.path.at(-1)?.abv}
                width={RULE_WIDTH}
                height={size.height}
                margin={MARGIN}
              />
            </g>
          </svg>
        )}
      </div>
      {comparison && <FiguresTable comparison={comparison} />}
    </div>
  );
});

interface PlaneProps {
  comparison: Comparison;
  family: Family | undefined;
  ghost: Props['ghost'];
  published: Family['published'];
  width: number;
  height: number;
}

function Plane({ comparison, family, ghost, published, width, height }: PlaneProps) {
  const { present, parent } = comparison;
  const outline = family?.home?.outline ?? [];
  const points = [present.served, parent.served, ...(ghost?.path ?? [])];
  const [sugarLow = 0, sugarHigh = 0] = present.interval80.sugar.map((level) => Math.max(level, FLOOR.sugar));
  const [acidLow = 0, acidHigh = 0] = present.interval80.acid.map((level) => Math.max(level, FLOOR.acid));
  const x = stepScale(
    [
      ...outline.map(([sugar = 1]) => sugar),
      ...points.map(({ sugar }) => sugar),
      ...published.flatMap(({ sugar }) => sugar),
      sugarLow,
      sugarHigh,
    ],
    [MARGIN.left, width - MARGIN.right],
    FLOOR.sugar,
  );
  const y = stepScale(
    [
      ...outline.map(([, acid = 1]) => acid),
      ...points.map(({ acid }) => acid),
      ...published.flatMap(({ acid }) => acid),
      acidLow,
      acidHigh,
    ],
    [height - MARGIN.bottom, MARGIN.top],
    FLOOR.acid,
  );
  const at = ({ sugar, acid }: { sugar: number; acid: number }) => ({
    x: x(Math.max(sugar, FLOOR.sugar)),
    y: y(Math.max(acid, FLOOR.acid)),
  });
  const now = at(present.served);
  const before = at(parent.served);
  const steps = (ghost?.path ?? []).map(at);
  const landing = steps.at(-1);
  const moved = Math.hypot(now.x - before.x, now.y - before.y) > 16;
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
      {moved && (
        <line x1={before.x} y1={before.y} x2={now.x} y2={now.y} className="stroke-base-content" strokeWidth={2} />
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

function spoken({ present, parent }: Comparison): string {
  const say = ({ sugar, acid, abv }: Pick<Served, AxisName>) =>
    `${level(sugar, 'sugar')} g sugar and ${level(acid, 'acid')} g acid per 100 ml at ${level(abv, 'abv')} % ABV`;
  return `Now ${say(present.served)}; the parent ${say(parent.served)}.`;
}

/** The same figures for who can't see the field. */
function FiguresTable({ comparison }: { comparison: Comparison }) {
  const rows: [string, Comparison['parent']][] = [
    ['Now', comparison.present],
    ['Parent', comparison.parent],
  ];
  return (
    <div className="sr-only">
      <table>
        <caption>Where the drink stands, as served</caption>
        <thead>
          <tr>
            <th scope="col">Drink</th>
            <th scope="col">Sugar, g per 100 ml</th>
            <th scope="col">Acid, g per 100 ml</th>
            <th scope="col">Strength, % ABV</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, { served, interval80 }]) => (
            <tr key={name}>
              <th scope="row">{name}</th>
              {(['sugar', 'acid', 'abv'] as const).map((axis) => (
                <td key={axis}>
                  {level(served[axis], axis)}, between {interval80[axis].map((each) => level(each, axis)).join(' and ')}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
