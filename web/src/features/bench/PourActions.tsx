import type { PourEntry } from '../../api/client';
import { STAGE_WORDS, type Stage } from './stages';

interface Props {
  pour: PourEntry;
  /** The drink has no other pour: this one can't go. */
  alone: boolean;
  onStage: (stage: Stage) => void;
  onRemove: () => void;
}

/** When a pour goes in, and the way to take it out. */
export function PourActions({ pour, alone, onStage, onRemove }: Props) {
  return (
    <>
      <select
        aria-label="Goes in"
        className="select min-h-11 w-auto text-base"
        value={pour.stage}
        onChange={(event) => onStage(event.target.value as Stage)}
      >
        {Object.entries(STAGE_WORDS).map(([stage, words]) => (
          <option key={stage} value={stage}>
            {words}
          </option>
        ))}
      </select>
      {!alone && (
        <button
          type="button"
          className="btn btn-ghost min-h-11 border-base-300 px-3 text-base font-normal"
          onClick={onRemove}
        >
          Take it out
        </button>
      )}
    </>
  );
}
