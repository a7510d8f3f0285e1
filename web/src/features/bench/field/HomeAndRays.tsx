import { curveLinearClosed, line } from 'd3-shape';

import { MARGIN, type Frame, type OnField } from './fieldFrame';

const RATIOS = [4, 6, 8, 10, 12, 15, 20];

interface Props {
  on: OnField;
  frame: Frame;
}

/** The family's home, the rays of equal sugar to acid, and published ranges where they are wanted. */
export function HomeAndRays({ on, frame: { x, y, outline } }: Props) {
  const [low = 1, high = 1] = x.domain();
  const home = line<number[]>(
    ([sugar = 1]) => x(sugar),
    ([, acid = 1]) => y(acid),
  ).curve(curveLinearClosed)(outline);
  return (
    <>
      {home && (
        <path
          d={home}
          className="fill-secondary stroke-secondary"
          strokeWidth={3}
          strokeLinejoin="round"
          opacity={0.9}
          data-testid="typical"
        />
      )}
      {RATIOS.map((ratio) => (
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
      ))}
      {on.published.map(({ name, sugar: [left = 1, right = 1], acid: [bottom = 1, top = 1] }) => (
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
    </>
  );
}

/** What the rays, the home and the published ranges are called. */
export function RayWords({ on: { family, home, published }, frame: { x, y, width, outline } }: Props) {
  const [, high = 1] = y.domain();
  return (
    <>
      {RATIOS.map((ratio) => {
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
      {family && home && (
        <text
          x={x(home.centre.sugar ?? 1)}
          y={y(Math.min(...outline.map(([, acid = 1]) => acid))) - 8}
          textAnchor="middle"
          className="fill-quiet text-[15px] italic"
        >
          typical {family.slug}
          {home.branch && `, ${home.branch}`}
        </text>
      )}
      {published.map(({ name, sugar: [left = 1], acid: [bottom = 1] }) => (
        <text key={name} x={x(left)} y={y(bottom) + 16} className="fill-quiet text-[14px] italic">
          {name}
        </text>
      ))}
    </>
  );
}
