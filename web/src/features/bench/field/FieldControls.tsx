import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';

import type { Rules } from '@/api';
import type { BenchActions, FieldTarget } from '../benchActions';
import type { Frame, Levels } from './fieldFrame';
import { TrailPoint } from './TrailPoint';
import { TargetBubble } from './TargetBubble';

interface Props {
  frame: Frame;
  axes: Rules['axes'];
  present: Levels;
  trail: { back: number; served: Levels }[];
  hand: BenchActions;
}

/** What a hand can do on the field: drag the drink to where it is wished, or step back along the trail. */
export function FieldControls({ frame, axes, present, trail, hand }: Props) {
  const [wish, setWish] = useState<FieldTarget | null>(null);
  const [held, setHeld] = useState(false);
  const plane = useRef<HTMLDivElement>(null);
  const now = frame.at(present);

  const follow = (event: PointerEvent) => {
    const corner = plane.current?.getBoundingClientRect();
    if (!corner) return;
    const [left, right] = frame.x.range;
    const [bottom, top] = frame.y.range;
    const across = Math.min(Math.max(event.clientX - corner.left, left), right);
    const up = Math.min(Math.max(event.clientY - corner.top, top), bottom);
    setWish({ sugar: frame.x.levelAt(across), acid: frame.y.levelAt(up) });
  };
  const bring = () => {
    if (!wish) return;
    hand.bring(wish);
    setWish(null);
  };
  const press = (event: KeyboardEvent) => {
    const to = nudged(wish ?? { sugar: present.sugar, acid: present.acid }, event.key, axes);
    if (to) setWish(to);
    else if (event.key === 'Escape' && wish) setWish(null);
    else if (event.key === 'Enter' && wish) bring();
    else return;
    event.preventDefault();
  };

  return (
    <div ref={plane} className="pointer-events-none absolute inset-0">
      {trail.map(({ back, served }) => (
        <TrailPoint key={back} back={back} served={served} at={frame.at(served)} onBack={() => hand.undo(back)} />
      ))}
      <button
        type="button"
        className={`pointer-events-auto absolute size-11 -translate-1/2 touch-none rounded-full ${held ? 'cursor-grabbing' : 'cursor-grab'}`}
        style={{ left: now.x, top: now.y }}
        aria-label="The drink: drag it to a target, or use the arrow keys"
        title="Drag the drink to a target"
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
      {wish && (
        <TargetBubble
          wish={wish}
          from={now}
          to={frame.at(wish)}
          frame={frame}
          held={held}
          onBring={bring}
          onNo={() => setWish(null)}
        />
      )}
    </div>
  );
}

/** An arrow key moves the wish by half a noticeable step. */
function nudged(from: FieldTarget, key: string, axes: Rules['axes']): FieldTarget | null {
  const half = (axis: 'sugar' | 'acid') => Math.sqrt(1 + (axes[axis]?.just_noticeable ?? 0));
  if (key === 'ArrowRight') return { ...from, sugar: from.sugar * half('sugar') };
  if (key === 'ArrowLeft') return { ...from, sugar: from.sugar / half('sugar') };
  if (key === 'ArrowUp') return { ...from, acid: from.acid * half('acid') };
  return key === 'ArrowDown' ? { ...from, acid: from.acid / half('acid') } : null;
}
