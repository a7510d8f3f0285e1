import { useId } from 'react';

export interface BottleLayer {
  key: string;
  ml: number;
  /** What it mostly brings: decides its tint. */
  brings: 'abv' | 'sugar' | 'acid' | 'water' | 'other';
  /** Waits until the rest was tasted. */
  waits?: boolean;
}

interface Props {
  bands: BottleLayer[];
  /** What the container holds to its brim, in ml. */
  container: number;
  /** Up to where it may be filled. */
  usable?: number;
  /** How it is told to who can’t see it. */
  label: string;
  className?: string;
}

const TINT = {
  abv: 'fill-strong',
  sugar: 'fill-sweet',
  acid: 'fill-sharp',
  water: 'fill-base-300',
  other: 'fill-neutral',
};

// The inside of the bottle in the drawing: its shoulder narrows to the neck.
const TOP = 26;
const BOTTOM = 292;
const BODY_TOP = 96;
const OUTLINE = `M38 8 H62 V${TOP + 24} C62 74 88 74 88 ${BODY_TOP + 12} V${BOTTOM - 8} Q88 ${BOTTOM} 80 ${BOTTOM} H20 Q12 ${BOTTOM} 12 ${BOTTOM - 8} V${BODY_TOP + 12} C12 74 38 74 38 ${TOP + 24} Z`;
/** Share of the container that its body holds, below the shoulder. */
const BODY = 0.9;

/** How high a share of the container stands in the drawing, 1 to the brim; what is more stands above it in a column as wide. */
function height(share: number): number {
  const shoulder = BODY_TOP + 8;
  if (share <= BODY) return BOTTOM - (share / BODY) * (BOTTOM - shoulder);
  if (share <= 1) return shoulder - ((share - BODY) / (1 - BODY)) * (shoulder - TOP);
  return TOP - ((share - 1) / BODY) * (BOTTOM - shoulder);
}

/** A bottle with what is poured into it, in the order of pouring from below; what doesn’t go in stands above it. */
export function BottleDrawing({ bands, container, usable, label, className = '' }: Props) {
  const id = useId();
  const total = bands.reduce((all, { ml }) => all + ml, 0);
  const highest = Math.min(4, height(total / container));
  const drawn = bands.map((band, index) => {
    const below = bands.slice(0, index).reduce((all, { ml }) => all + ml, 0) / container;
    return { ...band, top: height(below + band.ml / container), bottom: height(below) };
  });
  const stack = drawn.map(({ key, brings, waits, top, bottom }) => (
    <rect
      key={key}
      x="12"
      width="76"
      y={top}
      height={Math.max(0, bottom - top)}
      className={waits ? 'stroke-base-100' : `stroke-base-100 ${TINT[brings]}`}
      fill={waits ? `url(#${id}-waits)` : undefined}
      strokeWidth="1.5"
    />
  ));
  return (
    <svg
      viewBox={`0 ${highest} 100 ${300 - highest}`}
      role="img"
      aria-label={label}
      className={className}
      preserveAspectRatio="xMidYMax meet"
    >
      <defs>
        <clipPath id={`${id}-inside`}>
          <path d={OUTLINE} />
        </clipPath>
        <clipPath id={`${id}-above`}>
          <rect x="0" width="100" y={highest} height={TOP - highest} />
        </clipPath>
        <pattern id={`${id}-waits`} width="6" height="6" patternTransform="rotate(45)" patternUnits="userSpaceOnUse">
          <rect width="6" height="6" className="fill-base-100" />
          <rect width="3" height="6" className="fill-base-300" />
        </pattern>
      </defs>
      {total > container && (
        <g clipPath={`url(#${id}-above)`} opacity="0.4">
          {stack}
        </g>
      )}
      <path d={OUTLINE} className="fill-base-100" />
      <g clipPath={`url(#${id}-inside)`}>{stack}</g>
      <path d={OUTLINE} fill="none" className="stroke-base-content" strokeWidth="2.5" strokeLinejoin="round" />
      {usable !== undefined && (
        <line
          x1="30"
          x2="70"
          y1={height(usable / container)}
          y2={height(usable / container)}
          className="stroke-base-content"
          strokeDasharray="3 3"
        />
      )}
    </svg>
  );
}
