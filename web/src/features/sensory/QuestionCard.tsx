import { Check } from 'lucide-react';

import type { Exercise } from '@/api';

interface Props {
  ask: Exercise['asks'][number];
  /** The first of them has the focus when the page opens: keys go at once to it. */
  first: boolean;
  text: string | undefined;
  /** What is right, once it is solved. */
  right: string[] | undefined;
  onSay: (key: string) => void;
}

/** One thing that is asked: large targets, arrow keys among them. */
export function QuestionCard({ ask, first, text: said, right, onSay }: Props) {
  return (
    <fieldset disabled={right !== undefined}>
      <legend className="mb-1.5 text-lg font-semibold">{ask.words}</legend>
      <div className={`grid gap-1.5 ${ask.options.length === 3 ? 'sm:grid-cols-3' : 'sm:grid-cols-2'}`}>
        {ask.options.map(({ key, words }, n) => {
          const isRight = right?.includes(key);
          return (
            <label
              key={key}
              className={`flex min-h-12 cursor-pointer items-center gap-3 rounded-xl border-2 px-3 text-lg has-focus-visible:outline-3 ${said === key ? 'border-primary bg-secondary' : 'border-base-300'} ${isRight ? 'border-success' : ''}`}
            >
              <input
                type="radio"
                name={ask.key}
                className="radio"
                checked={said === key}
                autoFocus={first && n === 0}
                onChange={() => onSay(key)}
              />
              <span className="grow first-letter:uppercase">{words}</span>
              {isRight && <Check size={22} role="img" aria-label="right" />}
            </label>
          );
        })}
      </div>
    </fieldset>
  );
}
