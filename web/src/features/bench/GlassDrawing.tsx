import { useId } from 'react';

import type { Glass, Appearance } from '../../api/client';

interface Props {
  glass: Glass;
  sight: Appearance;
  /** Of a centimetre, so that every glass is drawn to the same scale. */
  pxPerCm: number;
  width: number;
  height: number;
}

const WALL_PX = 3;
/** Edge of a piece of ice, cm, and how many lie in the glass. */
const ICE: Record<string, { edge: number; count: number }> = {
  cubes: { edge: 2.7, count: 5 },
  large: { edge: 4.4, count: 1 },
  crushed: { edge: 0.95, count: 46 },
};

/** The drink in its glass, drawn to scale: layers in their foreseen colour, foam, ice, the wash line. */
export function GlassDrawing({ glass, sight, pxPerCm, width, height }: Props) {
  const clip = useId();
  const top = glass.bowl.at(-1)?.[0] ?? 0;
  const floor = height - 6 - glass.stem_cm * pxPerCm;
  const y = (cm: number) => floor - cm * pxPerCm;
  const middle = width / 2;
  const right = glass.bowl.map(([cm = 0, radius = 0]) => `${middle + radius * pxPerCm},${y(cm)}`);
  const left = glass.bowl.map(([cm = 0, radius = 0]) => `${middle - radius * pxPerCm},${y(cm)}`).reverse();
  const bowl = `M${[...right, ...left].join('L')}Z`;
  const outline = `M${[...left, ...right].join('L')}`;
  const level = sight.liquid.at(-1)?.to_cm ?? 0;
  const widest = Math.max(...glass.bowl.map(([, radius = 0]) => radius));
  const lineRadius = radiusAt(glass, sight.line_cm);
  return (
    <svg width={width} height={height} aria-hidden className="block shrink-0" data-testid="glass">
      <clipPath id={clip}>
        <path d={bowl} />
      </clipPath>
      <g clipPath={`url(#${clip})`}>
        {sight.liquid.map((layer) => (
          <rect
            key={layer.name}
            data-testid="layer"
            x={0}
            width={width}
            y={y(layer.to_cm)}
            height={Math.max(0, y(layer.from_cm) - y(layer.to_cm))}
            fill={layer.colour}
          />
        ))}
        {sight.foam && (
          <rect
            data-testid="foam"
            x={0}
            width={width}
            y={y(sight.foam.to_cm)}
            height={Math.max(0, y(sight.foam.from_cm) - y(sight.foam.to_cm))}
            fill={sight.foam.colour}
          />
        )}
        {/* The surface reads as one where the drink is as pale as the paper. */}
        <line x1={0} x2={width} y1={y(level)} y2={y(level)} className="stroke-base-content" opacity={0.35} />
      </g>
      <Ice kind={sight.ice} level={level} top={top} glass={glass} px={pxPerCm} x={middle} y={y} />
      <path d={outline} className="fill-none stroke-base-content" strokeWidth={WALL_PX} strokeLinejoin="round" />
      {glass.stem_cm > 3 ? (
        <path
          d={`M${middle},${y(0)}V${height - 6}M${middle - glass.foot_cm * pxPerCm},${height - 5}H${middle + glass.foot_cm * pxPerCm}`}
          className="fill-none stroke-base-content"
          strokeWidth={WALL_PX}
          strokeLinecap="round"
        />
      ) : (
        <path
          d={`M${middle - (glass.bowl[0]?.[1] ?? 0) * pxPerCm},${y(0)}V${height - 5}H${middle + (glass.bowl[0]?.[1] ?? 0) * pxPerCm}V${y(0)}`}
          className="fill-base-300 stroke-base-content"
          strokeWidth={WALL_PX}
          strokeLinejoin="round"
        />
      )}
      {/* The wash line: up to where it is poured. */}
      <line
        x1={middle - lineRadius * pxPerCm - 9}
        x2={middle + lineRadius * pxPerCm + 9}
        y1={y(sight.line_cm)}
        y2={y(sight.line_cm)}
        className="stroke-base-content"
        strokeWidth={1.5}
        strokeDasharray="2 4"
      />
      {sight.drops.length > 0 &&
        [-0.35, 0, 0.35].map((at) => (
          <circle
            key={at}
            cx={middle + at * widest * pxPerCm}
            cy={y(sight.foam?.to_cm ?? level) + 2}
            r={3.5}
            className="fill-accent"
          />
        ))}
      {sight.state === 'overflows' && (
        <path
          d={`M${middle + (glass.bowl.at(-1)?.[1] ?? 0) * pxPerCm + 4},${y(top)}c10,12 4,22 8,36`}
          className="fill-none stroke-error"
          strokeWidth={5}
          strokeLinecap="round"
          data-testid="runs-over"
        />
      )}
    </svg>
  );
}

interface IceProps {
  kind: string;
  level: number;
  top: number;
  glass: Glass;
  px: number;
  x: number;
  y: (cm: number) => number;
}

/** Ice floats: a tenth of a piece stands out of the drink, crushed ice is heaped on it. */
function Ice({ kind, level, top, glass, px, x, y }: IceProps) {
  const pieces = ICE[kind];
  if (!pieces) return null;
  const { edge, count } = pieces;
  const high = Math.min(kind === 'crushed' ? top + 1 : level + edge * 0.15, top + 1);
  return (
    <g>
      {Array.from({ length: count }, (_, piece) => {
        // Spread by the golden angle, so that the pieces lie as if dropped and stay where they are.
        const turn = (piece * 137.5) % 360;
        const row = kind === 'crushed' ? piece / count : Math.floor(piece / 2) / Math.max(1, Math.ceil(count / 2));
        const cm = high - edge / 2 - row * Math.max(0, (kind === 'crushed' ? high : level) - edge * 0.8);
        const room = Math.max(0, radiusAt(glass, Math.min(cm, top)) - edge * 0.6);
        const across = kind === 'large' ? 0 : Math.sin((turn * Math.PI) / 180) * room;
        const size = edge * px;
        return (
          <rect
            key={piece}
            x={-size / 2}
            y={-size / 2}
            width={size}
            height={size}
            rx={size * 0.16}
            transform={`translate(${x + across * px}, ${y(cm)}) rotate(${kind === 'large' ? 6 : (turn % 50) - 25})`}
            className="fill-base-100 stroke-base-content"
            fillOpacity={0.42}
            strokeOpacity={0.4}
            strokeWidth={1.2}
          />
        );
      })}
    </g>
  );
}

function radiusAt(glass: Glass, cm: number): number {
  for (const [index, [height = 0, radius = 0]] of glass.bowl.entries()) {
    const [below = 0, narrower = 0] = glass.bowl[index - 1] ?? [0, radius];
    if (cm <= height) {
      return height === below ? radius : narrower + ((radius - narrower) * (cm - below)) / (height - below);
    }
  }
  return glass.bowl.at(-1)?.[1] ?? 0;
}
