import type { Glass } from '@/api';
import { radiusAt } from './radiusAt';

/** Edge of a piece of ice, cm, and how many lie in the glass. */
const ICE: Record<string, { edge: number; count: number }> = {
  cubes: { edge: 2.7, count: 5 },
  large: { edge: 4.4, count: 1 },
  crushed: { edge: 0.95, count: 46 },
};

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
export function FloatingIce({ kind, level, top, glass, px, x, y }: IceProps) {
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
