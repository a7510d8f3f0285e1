import { MARGIN, type Frame, type OnField } from './fieldFrame';

const RATIOS = [4, 6, 8, 10, 12, 15, 20];

interface Props {
  on: OnField;
  frame: Frame;
}

/** The rays of equal sugar to acid, and published ranges where they are wanted. */
export function Rays({ on, frame: { x, y } }: Props) {
  const [low, high] = x.domain;
  return (
    <>
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
  const high = y.domain[1];
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
