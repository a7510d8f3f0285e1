import { useRef } from 'react';

import type { Way } from '../../api/client';
import { useSettings } from '../../lib/settings';
import { leftWords, moveWords } from './words';

interface Props {
  ways: Way[];
  /** Which of them is in the hand. */
  chosen: number;
  ounceMl: number;
  onChoose: (index: number) => void;
}

/** Two or three ways side by side: what each pours, what it leaves, and what it costs of what the drink is known by. */
export function Ways({ ways, chosen, ounceMl, onChoose }: Props) {
  const { shown } = useSettings();
  const list = useRef<HTMLDivElement>(null);
  return (
    <div
      ref={list}
      role="radiogroup"
      aria-label="Ways to bring it there"
      className="grid gap-2 py-2 @sm:auto-cols-fr @sm:grid-flow-col"
    >
      {ways.map(({ title, moves, left, cost }, index) => {
        const inHand = index === chosen;
        return (
          <button
            key={title}
            type="button"
            role="radio"
            aria-checked={inHand}
            tabIndex={inHand ? 0 : -1}
            className={`flex min-h-11 min-w-0 cursor-pointer flex-col items-start gap-1 rounded-xl border-2 px-2.5 py-2 text-left leading-tight ${inHand ? 'border-accent bg-secondary' : 'border-base-300 bg-base-100'}`}
            onClick={() => onChoose(index)}
          >
            <span className="text-base text-quiet">{title}</span>
            {moves.map((move) => (
              <span key={move.name} className="text-lg leading-tight font-semibold">
                {moveWords(move, shown, ounceMl)}
              </span>
            ))}
            <span className="mt-auto pt-1 text-base">{leftWords(left)}</span>
            <span className="text-base text-quiet">{cost}</span>
          </button>
        );
      })}
    </div>
  );
}
