import { useQuery } from '@tanstack/react-query';

import { rulesQuery, type SpecCloud } from '@/api';
import { levelText, stepScale } from '@/lib';
import { BalancePlane } from '@/ui';

interface Props {
  cloud: SpecCloud;
  over: number | null;
  onOver: (id: number | null) => void;
}

const WIDTH = 720;
const HEIGHT = 420;
const MARGIN = { top: 16, right: 24, bottom: 50, left: 60 };

/** The specs on the plane of sweetness and acidity, their middle among them. The same figures stand in the list beside. */
export function SpecCloudField({ cloud, over, onOver }: Props) {
  const axes = useQuery(rulesQuery()).data?.axes;
  const all = [...cloud.points.map(({ figures }) => figures), ...(cloud.middle_figures ? [cloud.middle_figures] : [])];
  const x = stepScale(
    all.map(({ sugar }) => sugar),
    [MARGIN.left, WIDTH - MARGIN.right],
    axes?.sugar?.floor ?? 0,
  );
  const y = stepScale(
    all.map(({ acid }) => acid),
    [HEIGHT - MARGIN.bottom, MARGIN.top],
    axes?.acid?.floor ?? 0,
  );
  const at = ({ sugar, acid }: { sugar: number; acid: number }) => ({
    cx: x(Math.max(sugar, axes?.sugar?.floor ?? 0)),
    cy: y(Math.max(acid, axes?.acid?.floor ?? 0)),
  });
  const middle = cloud.middle_figures && at(cloud.middle_figures);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="h-auto w-full"
      role="img"
      aria-label={`${cloud.points.length} specs by sweetness and acidity. ${cloud.sentence}`}
    >
      <BalancePlane x={x} y={y} height={HEIGHT} />
      {middle &&
        cloud.points.map((point) => {
          const { cx, cy } = at(point.figures);
          return (
            <line
              key={point.id}
              x1={middle.cx}
              y1={middle.cy}
              x2={cx}
              y2={cy}
              className="stroke-base-300"
              strokeWidth={2}
            />
          );
        })}
      {cloud.points.map((point) => (
        <Spec
          key={point.id}
          point={point}
          at={at(point.figures)}
          over={over === point.id}
          onOver={(on) => onOver(on ? point.id : null)}
        />
      ))}
      {middle && (
        <g>
          <path
            d={`M${middle.cx - 11} ${middle.cy}H${middle.cx + 11}M${middle.cx} ${middle.cy - 11}V${middle.cy + 11}`}
            className="stroke-accent"
            strokeWidth={4}
          />
          <text
            x={middle.cx}
            y={
              middle.cy +
              clearOf(
                middle,
                cloud.points.map(({ figures }) => at(figures)),
              )
            }
            textAnchor="middle"
            className="fill-accent stroke-base-200 text-[16px] font-semibold"
            strokeWidth={4}
            paintOrder="stroke"
          >
            average
          </text>
        </g>
      )}
    </svg>
  );
}

/** Where the middle's word stands, px below its cross: at the first place that no spec's own words lie over. */
function clearOf({ cx, cy }: { cx: number; cy: number }, specs: { cx: number; cy: number }[]): number {
  const taken = (by: number) =>
    specs.some((spec) => Math.abs(spec.cy - (cy + by - 5)) < 20 && Math.abs(spec.cx - cx) < LABEL_REACH);
  return PLACES.find((by) => !taken(by)) ?? PLACES[0];
}

/** Below, above, then farther off; and how far the words of a spec reach from its dot, px. */
const PLACES = [30, -20, 54, -44, 78, -68] as const;
const LABEL_REACH = 240;

interface SpecProps {
  point: SpecCloud['points'][number];
  at: { cx: number; cy: number };
  over: boolean;
  onOver: (over: boolean) => void;
}

function Spec({ point, at: { cx, cy }, over, onOver }: SpecProps) {
  const left = cx > WIDTH * 0.62;
  return (
    <g onMouseEnter={() => onOver(true)} onMouseLeave={() => onOver(false)}>
      <circle
        cx={cx}
        cy={cy}
        r={over ? 12 : 9}
        className={point.outlier ? 'fill-base-100 stroke-accent' : 'fill-base-content stroke-base-100'}
        strokeWidth={3}
      />
      <text
        x={left ? cx - 16 : cx + 16}
        y={cy + 5}
        textAnchor={left ? 'end' : 'start'}
        className="fill-base-content text-[15px]"
      >
        {point.name}, {levelText(point.figures.abv, 'abv')}%
      </text>
    </g>
  );
}
