import { levelText } from '@/lib';
import type { Levels } from './fieldFrame';

interface Props {
  /** How many steps of undo lead there. */
  back: number;
  served: Levels;
  at: { x: number; y: number };
  onBack: () => void;
}

/** Where the drink stood some moves ago: a press leads back there. */
export function TrailPoint({ back, served, at, onBack }: Props) {
  const moves = back === 1 ? 'one change' : `${back} changes`;
  return (
    <button
      type="button"
      className="group pointer-events-auto absolute grid size-7 -translate-1/2 cursor-pointer place-items-center"
      style={{ left: at.x, top: at.y }}
      aria-label={`Undo ${moves}, back to ${levelText(served.sugar, 'sugar')} g sugar and ${levelText(served.acid, 'acid')} g acid`}
      title={`Undo ${moves}`}
      data-testid="trail-point"
      onClick={onBack}
    >
      <span
        aria-hidden
        className="size-2.5 rounded-full border-2 border-base-content bg-base-100 group-hover:size-4 group-focus-visible:size-4"
      />
    </button>
  );
}
