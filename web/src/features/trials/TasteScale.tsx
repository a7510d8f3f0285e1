import type { ReactNode } from 'react';

interface Props {
  name: string;
  mark?: ReactNode;
  /** Words for too little and for too much. */
  little: string;
  much: string;
  value: number | null;
  onSay: (value: number | null) => void;
}

const PLACES = [-3, -2, -1, 0, 1, 2, 3];
const STRENGTHS = ['', 'a touch ', 'clearly ', 'much '];

/** Too little, right or too much at three strengths: seven places under one thumb, and arrow keys. */
export function TasteScale({ name, mark, little, much, value, onSay }: Props) {
  const words = (index: number) =>
    index === 0 ? 'right' : `${STRENGTHS[Math.abs(index)] ?? ''}${index < 0 ? little : much}`;
  return (
    <fieldset className="min-w-0">
      <legend className="flex w-full items-center gap-2 text-lg font-semibold">
        {mark} {name}
        <span className="ml-auto text-base font-normal" aria-live="polite">
          {value === null ? <span className="text-quiet">not said</span> : words(value)}
        </span>
      </legend>
      <div className="mt-1 grid grid-cols-7 gap-1">
        {PLACES.map((index) => (
          <label key={index} className="cursor-pointer">
            <input
              type="radio"
              name={name}
              className="peer sr-only"
              checked={value === index}
              aria-label={`${name}: ${words(index)}`}
              onChange={() => onSay(index)}
            />
            <span className="grid h-12 place-items-center rounded-xl border border-base-300 peer-checked:border-primary peer-checked:bg-primary peer-checked:text-primary-content peer-focus-visible:outline-3 peer-focus-visible:outline-offset-2 peer-focus-visible:outline-accent">
              {index === 0 ? (
                <span className="text-base">right</span>
              ) : (
                <span
                  aria-hidden
                  className="block rounded-full bg-current"
                  style={{ width: 5 + 5 * Math.abs(index), height: 5 + 5 * Math.abs(index) }}
                />
              )}
            </span>
          </label>
        ))}
      </div>
      <div className="flex justify-between text-sm text-quiet" aria-hidden>
        <span>{little}</span>
        <span>{much}</span>
      </div>
    </fieldset>
  );
}
