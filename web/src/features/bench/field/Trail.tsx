import type { Frame, OnField } from './fieldFrame';

interface Point {
  x: number;
  y: number;
}

/** The parent, the way from it to the drink by the moves of this window, the drink, and where a candidate would bring it. */
export function Trail({ on, frame: { at, width } }: { on: OnField; frame: Frame }) {
  const { present, parent } = on.comparison;
  const [now, before] = [at(present.served), at(parent.served)];
  const moved = Math.hypot(now.x - before.x, now.y - before.y) > 16;
  const way = moved || on.trail.length > 0 ? [before, ...on.trail.map(at), now] : [];
  // The label of the present stands on the side away from the parent's.
  const roomToTheRight = width - now.x > 70;
  const side = roomToTheRight && !(now.x < before.x && now.x > 150 && moved) ? 'start' : 'end';
  return (
    <>
      {way.length > 1 && (
        <polyline
          points={pointsOf(way)}
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
          before
        </text>
      )}
      <LandingPath from={now} steps={(on.ghost?.path ?? []).map(at)} />
      <circle cx={now.x} cy={now.y} r={9} className="field-dot fill-base-content" data-testid="present-point" />
      <text
        x={now.x + (side === 'end' ? -15 : 15)}
        y={now.y + 6}
        textAnchor={side}
        className="fill-base-content text-[17px] font-semibold"
      >
        now
      </text>
    </>
  );
}

/** Where a candidate leads: as poured, and once it is brought back. */
function LandingPath({ from, steps }: { from: Point; steps: Point[] }) {
  const landing = steps.at(-1);
  if (!landing) return null;
  return (
    <>
      <polyline
        points={pointsOf([from, ...steps])}
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
  );
}

function pointsOf(points: Point[]): string {
  return points.map(({ x, y }) => `${x},${y}`).join(' ');
}
