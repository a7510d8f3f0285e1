import type { SheetEntry } from '@/api';

interface Props {
  value: SheetEntry['score'];
  onSay: (score: number) => void;
}

/** Nought to ten, each a press away. */
export function ScoreButtons({ value, onSay }: Props) {
  return (
    <fieldset>
      <legend className="text-lg font-semibold">Score</legend>
      <div className="mt-1 grid grid-cols-6 gap-1 sm:grid-cols-11">
        {Array.from({ length: 11 }, (_, score) => (
          <label key={score} className="cursor-pointer">
            <input
              type="radio"
              name="Score"
              className="peer sr-only"
              checked={value === score}
              aria-label={`Score ${score}`}
              onChange={() => onSay(score)}
            />
            <span className="grid h-11 place-items-center rounded-xl border border-base-300 font-figure text-lg peer-checked:border-primary peer-checked:bg-primary peer-checked:text-primary-content peer-focus-visible:outline-3 peer-focus-visible:outline-accent">
              {score}
            </span>
          </label>
        ))}
      </div>
    </fieldset>
  );
}
