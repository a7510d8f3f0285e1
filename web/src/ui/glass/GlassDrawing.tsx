import { useId } from 'react';

import type { Appearance, Glass } from '@/api';
import { FloatingIce } from './FloatingIce';
import { radiusAt } from './radiusAt';

interface Props {
  glass: Glass;
  appearance: Appearance;
  /** Of a centimetre, so that every glass is drawn to the same scale. */
  pxPerCm: number;
  width: number;
  height: number;
}

const WALL_PX = 3;
/** The drink in its glass, drawn to scale: layers in their foreseen colour, foam, ice, the wash line. */
export function GlassDrawing({ glass, appearance, pxPerCm, width, height }: Props) {
  const clip = useId();
  const top = glass.bowl.at(-1)?.[0] ?? 0;
  const floor = height - 6 - glass.stem_cm * pxPerCm;
  const y = (cm: number) => floor - cm * pxPerCm;
  const middle = width / 2;
  const right = glass.bowl.map(([cm = 0, radius = 0]) => `${middle + radius * pxPerCm},${y(cm)}`);
  const left = glass.bowl.map(([cm = 0, radius = 0]) => `${middle - radius * pxPerCm},${y(cm)}`).reverse();
  const bowl = `M${[...right, ...left].join('L')}Z`;
  const outline = `M${[...left, ...right].join('L')}`;
  const level = appearance.liquid.at(-1)?.to_cm ?? 0;
  const widest = Math.max(...glass.bowl.map(([, radius = 0]) => radius));
  const lineRadius = radiusAt(glass, appearance.line_cm);
  return (
    <svg width={width} height={height} aria-hidden className="block shrink-0" data-testid="glass">
      <clipPath id={clip}>
        <path d={bowl} />
      </clipPath>
      <g clipPath={`url(#${clip})`}>
        <Liquid appearance={appearance} width={width} level={level} y={y} />
      </g>
      <FloatingIce kind={appearance.ice} level={level} top={top} glass={glass} px={pxPerCm} x={middle} y={y} />
      <path d={outline} className="fill-none stroke-base-content" strokeWidth={WALL_PX} strokeLinejoin="round" />
      <GlassFoot glass={glass} px={pxPerCm} x={middle} y={y} bottom={height} />
      {/* The wash line: up to where it is poured. */}
      <line
        x1={middle - lineRadius * pxPerCm - 9}
        x2={middle + lineRadius * pxPerCm + 9}
        y1={y(appearance.line_cm)}
        y2={y(appearance.line_cm)}
        className="stroke-base-content"
        strokeWidth={1.5}
        strokeDasharray="2 4"
      />
      {appearance.drops.length > 0 &&
        [-0.35, 0, 0.35].map((at) => (
          <circle
            key={at}
            cx={middle + at * widest * pxPerCm}
            cy={y(appearance.foam?.to_cm ?? level) + 2}
            r={3.5}
            className="fill-accent"
          />
        ))}
      {appearance.state === 'overflows' && (
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

interface LiquidProps {
  appearance: Appearance;
  width: number;
  level: number;
  y: (cm: number) => number;
}

/** Layers in their foreseen colour, the foam on them, and the surface. */
function Liquid({ appearance, width, level, y }: LiquidProps) {
  return (
    <>
      {appearance.liquid.map((layer) => (
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
      {appearance.foam && (
        <rect
          data-testid="foam"
          x={0}
          width={width}
          y={y(appearance.foam.to_cm)}
          height={Math.max(0, y(appearance.foam.from_cm) - y(appearance.foam.to_cm))}
          fill={appearance.foam.colour}
        />
      )}
      {/* The surface reads as one where the drink is as pale as the paper. */}
      <line x1={0} x2={width} y1={y(level)} y2={y(level)} className="stroke-base-content" opacity={0.35} />
    </>
  );
}

interface GlassFootProps {
  glass: Glass;
  px: number;
  x: number;
  y: (cm: number) => number;
  bottom: number;
}

/** What stands below the bowl: a stem with its foot, or a thick bottom. */
function GlassFoot({ glass, px, x, y, bottom }: GlassFootProps) {
  const [foot, radius] = [glass.foot_cm * px, (glass.bowl[0]?.[1] ?? 0) * px];
  return glass.stem_cm > 3 ? (
    <path
      d={`M${x},${y(0)}V${bottom - 6}M${x - foot},${bottom - 5}H${x + foot}`}
      className="fill-none stroke-base-content"
      strokeWidth={WALL_PX}
      strokeLinecap="round"
    />
  ) : (
    <path
      d={`M${x - radius},${y(0)}V${bottom - 5}H${x + radius}V${y(0)}`}
      className="fill-base-300 stroke-base-content"
      strokeWidth={WALL_PX}
      strokeLinejoin="round"
    />
  );
}
