import { Minus, Plus } from 'lucide-react';
import { useEffect, useId, useRef, useState, type KeyboardEvent } from 'react';

import type { Amount, PourEntry, Spec } from '../../api/client';
import { plain, stepped, type ShownAmount } from '../../lib/format';
import { useSettings } from '../../lib/settings';
import { useReadAmount } from './useForecast';

type Change = Partial<PourEntry>;

interface Props {
  /** Whose amount it is, for who can't see the row. */
  label: string;
  /** The drink it stands in, and its place there: "half the gin" means something only beside the gin. */
  spec: Spec;
  pour: number;
  shown: ShownAmount;
  /** The user's own words for it. */
  said?: string;
  /** Absent where a kept trial is looked at. */
  onAmount?: (change: Change) => void;
}

const PATIENCE_MS = 600;

/** An amount to type, step or nudge with the arrow keys. While the text is no amount, the last good one stays. */
export function AmountField({ label, spec, pour, shown, said, onAmount }: Props) {
  const { aim } = useSettings();
  const [choices, setChoices] = useState<Amount['choices']>([]);
  const [typed, setTyped] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const [edge, setEdge] = useState(false);
  const latest = useRef('');
  const impatience = useRef(0);
  const helpId = useId();
  const { mutate: read } = useReadAmount();
  useEffect(() => () => window.clearTimeout(impatience.current), []);

  if (!onAmount) {
    return (
      <span className="px-3 py-2 text-right font-figure text-xl">
        {shown.text} <span className="font-sans text-base text-quiet">{shown.word}</span>
      </span>
    );
  }

  const type = (text: string) => {
    setTyped(text);
    latest.current = text;
    window.clearTimeout(impatience.current);
    setRefusal(null);
    setChoices([]);
    read(
      { text, unit: shown.unit, spec, pour },
      {
        onSuccess: ({ amount, unit, said, relative, range, choices }) => {
          if (latest.current !== text) return;
          if (amount === null) setChoices(choices);
          else onAmount({ amount, unit, said, relative, ...(range && { range }) });
        },
        onError: (error) => {
          if (latest.current !== text) return;
          // Half a fraction is no amount yet: wait until the hand rests.
          impatience.current = window.setTimeout(() => setRefusal(error.message), text.trim() ? PATIENCE_MS : 0);
        },
      },
    );
  };
  const step = (direction: 1 | -1, times = 1) => {
    setTyped(null);
    latest.current = '';
    setRefusal(null);
    setChoices([]);
    const amount = stepped(shown.amount, shown.unit, direction, times, aim.grid);
    onAmount({ amount, unit: shown.unit, said: null, relative: null });
  };
  const press = (event: KeyboardEvent) => {
    const direction = event.key === 'ArrowUp' || event.key === 'PageUp' ? 1 : -1;
    if (event.key.startsWith('Arrow') && (event.key === 'ArrowUp' || event.key === 'ArrowDown'))
      step(direction, event.shiftKey ? 4 : 1);
    else if (event.key === 'PageUp' || event.key === 'PageDown') step(direction, 4);
    else if (event.key === 'Escape' || event.key === 'Enter') {
      setChoices([]);
      leave();
    } else return;
    event.preventDefault();
  };
  const leave = () => {
    window.clearTimeout(impatience.current);
    setTyped(null);
    setRefusal(null);
  };
  const choose = ({ amount, unit }: Amount['choices'][number]) => {
    onAmount({ amount, unit, said: typed, relative: null });
    setChoices([]);
    setTyped(null);
  };

  return (
    <div className="relative">
      <div
        className={`flex items-center rounded-xl border bg-base-100 ${refusal ? 'border-error' : edge ? 'border-base-content' : 'border-base-300'}`}
      >
        <button
          type="button"
          tabIndex={-1}
          className="grid h-11 w-8.5 place-items-center"
          aria-label={`Less ${label}`}
          onClick={() => step(-1)}
        >
          <Minus size={18} aria-hidden />
        </button>
        <span className="flex flex-col items-center">
          <input
            className="w-14 bg-transparent text-center font-figure text-xl outline-none"
            data-amount=""
            inputMode="text"
            autoComplete="off"
            spellCheck={false}
            maxLength={30}
            aria-label={`Amount of ${label}`}
            aria-invalid={refusal !== null}
            aria-describedby={helpId}
            value={typed ?? shown.text}
            onChange={(event) => type(event.target.value)}
            onFocus={(event) => {
              setEdge(true);
              event.target.select();
            }}
            onBlur={() => {
              setEdge(false);
              // A question that is still open keeps what was asked.
              if (choices.length === 0) leave();
            }}
            onKeyDown={press}
          />
          <span aria-hidden className="-mt-1.5 pb-0.5 text-sm leading-none text-quiet">
            {shown.word}
          </span>
        </span>
        <button
          type="button"
          tabIndex={-1}
          className="grid h-11 w-8.5 place-items-center"
          aria-label={`More ${label}`}
          onClick={() => step(1)}
        >
          <Plus size={18} aria-hidden />
        </button>
      </div>
      {choices.length > 0 && (
        <div role="group" aria-label="Which is meant" className="panel absolute top-full right-0 z-20 mt-1 w-60 p-2">
          <p className="pb-1.5">“{typed}” may be any of these. Which is it?</p>
          <span className="flex gap-1.5">
            {choices.map((choice) => (
              <button
                key={choice.amount}
                type="button"
                className="btn min-h-12 grow px-1 font-figure text-lg"
                onClick={() => choose(choice)}
              >
                {plain(choice.amount)} {choice.unit}
              </button>
            ))}
          </span>
        </div>
      )}
      <p
        id={helpId}
        className={refusal ? 'panel absolute top-full right-0 z-20 mt-1 w-64 p-2 text-base text-error' : 'sr-only'}
        role={refusal ? 'alert' : undefined}
      >
        {refusal ?? `in ${shown.word}${said ? `, said “${said}”` : ''}; type it, or use the arrow keys`}
      </p>
    </div>
  );
}
