import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';

import { level } from '../../lib/format';
import type { Frame, Levels } from './fieldFrame';

interface Props {
  frame: Frame;
  present: Levels;
  trail: { back: number; served: Levels }[];
  /** Steps back to a point of the trail. */
  onBack: (steps: number) => void;
  /** Asks for the drink to be brought to a point of the field. */
  onBring: (wished: Pick<Levels, 'sugar' | 'acid'>) => void;
}

type Wish = Pick<Levels, 'sugar' | 'acid'>;

/** An arrow key moves the wish by half a noticeable step. */
const NUDGE = { sugar: Math.sqrt(1.17), acid: Math.sqrt(1.22) };
const BUBBLE = { width: 190, height: 108 };

/** What a hand can do on the field: drag the drink to where it is wished, or step back along the trail. */
export function FieldHands({ frame, present, trail, onBack, onBring }: Props) {
  const [wish, setWish] = useState<Wish | null>(null);
  const [held, setHeld] = useState(false);
  const plane = useRef<HTMLDivElement>(null);
  const now = frame.at(present);
  const there = wish && frame.at(wish);

  const follow = (event: PointerEvent) => {
    const corner = plane.current?.getBoundingClientRect();
    if (!corner) return;
    const [left = 0, right = 0] = frame.x.range();
    const [bottom = 0, top = 0] = frame.y.range();
    const across = Math.min(Math.max(event.clientX - corner.left, left), right);
    const up = Math.min(Math.max(event.clientY - corner.top, top), bottom);
    setWish({ sugar: frame.x.invert(across), acid: frame.y.invert(up) });
  };
  const bring = () => {
    if (!wish) return;
    onBring(wish);
    setWish(null);
  };
  const press = (event: KeyboardEvent) => {
    const from = wish ?? present;
    const nudged: Record<string, Wish> = {
      ArrowRight: { ...from, sugar: from.sugar * NUDGE.sugar },
      ArrowLeft: { ...from, sugar: from.sugar / NUDGE.sugar },
      ArrowUp: { ...from, acid: from.acid * NUDGE.acid },
      ArrowDown: { ...from, acid: from.acid / NUDGE.acid },
    };
    const to = nudged[event.key];
    if (to) setWish({ sugar: to.sugar, acid: to.acid });
    else if (event.key === 'Escape' && wish) setWish(null);
    else if (event.key === 'Enter' && wish) bring();
    else return;
    event.preventDefault();
  };

  return (
    <div ref={plane} className="pointer-events-none absolute inset-0">
      {trail.map(({ back, served }) => {
        const at = frame.at(served);
        return (
          <button
            key={back}
            type="button"
            className="group pointer-events-auto absolute grid size-7 -translate-1/2 cursor-pointer place-items-center"
            style={{ left: at.x, top: at.y }}
            aria-label={`Step back ${back === 1 ? 'a move' : `${back} moves`}, to ${level(served.sugar, 'sugar')} g sugar and ${level(served.acid, 'acid')} g acid`}
            title={`Step back ${back === 1 ? 'a move' : `${back} moves`}`}
            data-testid="trail-point"
            onClick={() => onBack(back)}
          >
            <span
              aria-hidden
              className="size-2.5 rounded-full border-2 border-base-content bg-base-100 group-hover:size-4 group-focus-visible:size-4"
            />
          </button>
        );
      })}
      <button
        type="button"
        className={`pointer-events-auto absolute size-11 -translate-1/2 touch-none rounded-full ${held ? 'cursor-grabbing' : 'cursor-grab'}`}
        style={{ left: now.x, top: now.y }}
        aria-label="The drink: drag it, or move it with the arrow keys, to where you want it"
        title="Drag the drink to where you want it"
        onKeyDown={press}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          setHeld(true);
        }}
        onPointerMove={(event) => held && follow(event)}
        onPointerUp={() => setHeld(false)}
        onPointerCancel={() => {
          setHeld(false);
          setWish(null);
        }}
      />
      {there && (
        <>
          <svg className="absolute inset-0 size-full" aria-hidden>
            <line
              x1={now.x}
              y1={now.y}
              x2={there.x}
              y2={there.y}
              className="stroke-base-content"
              strokeDasharray="3 4"
              strokeWidth={1.5}
            />
            <circle
              cx={there.x}
              cy={there.y}
              r={12}
              className="fill-none stroke-base-content"
              strokeDasharray="4 3"
              strokeWidth={2.5}
              data-testid="wish"
            />
          </svg>
          {!held && (
            <div
              role="group"
              aria-label="Bring it there"
              className="panel pointer-events-auto absolute z-10 p-2 text-base shadow-lg"
              style={{
                width: BUBBLE.width,
                left: Math.min(Math.max(there.x - BUBBLE.width / 2, 4), frame.width - BUBBLE.width),
                top: there.y + 18 + BUBBLE.height > frame.height ? there.y - 18 - BUBBLE.height : there.y + 18,
              }}
            >
              <p role="status" className="pb-1.5 leading-tight">
                To <b className="text-sweet">{level(wish.sugar, 'sugar')} g</b> sweet and{' '}
                <b className="text-sharp">{level(wish.acid, 'acid')} g</b> sharp?
              </p>
              <span className="flex gap-1.5">
                <button type="button" className="btn btn-primary min-h-11 grow px-2 text-base" onClick={bring}>
                  Bring it there
                </button>
                <button type="button" className="btn btn-ghost min-h-11 px-2 text-base" onClick={() => setWish(null)}>
                  No
                </button>
              </span>
            </div>
          )}
        </>
      )}
    </div>
  );
}
