import { useEffect, useRef, useState } from 'react';

import type { PourEntry, Step } from '@/api';
import { shownAmount } from '@/lib';
import { useSettings } from '@/hooks';
import { AmountField } from '../pours';
import { StepTimer } from './StepTimer';

interface Props {
  step: Step;
  done: boolean;
  /** The one to do now. */
  next: boolean;
  /** What is poured in it, and what really was. */
  pour: {
    entry: PourEntry;
    index: number;
    ounceMl: number;
    really: Pick<PourEntry, 'amount' | 'unit'> | undefined;
  } | null;
  /** Absent where a kept trial is looked at. */
  onTick?: (done: boolean) => void;
  onReally?: (entry: PourEntry, really: Pick<PourEntry, 'amount' | 'unit'>) => void;
}

/** One step: a target as wide as the panel, its amount, the sign that it is done, its timer. */
export function MethodStep({ step, done, next, pour, onTick, onReally }: Props) {
  const { shown } = useSettings();
  const [correcting, setCorrecting] = useState(false);
  const row = useRef<HTMLLIElement>(null);
  useEffect(() => {
    // The next step comes into sight in its own list; the page stays where the hand left it.
    const list = row.current?.parentElement;
    if (next && row.current && list && list.scrollHeight > list.clientHeight) {
      list.scrollTop = row.current.offsetTop - list.offsetTop - 60;
    }
  }, [next]);
  const written = pour && pour.entry.stage !== 'garnish' && step.kind !== 'garnish' ? pour : null;
  const amount =
    written &&
    shownAmount(
      Number((written.really ?? written.entry).amount),
      (written.really ?? written.entry).unit,
      shown,
      written.ounceMl,
    );
  const measured = step.kind !== 'prepare' || pour?.entry.stage === 'rinse';
  return (
    <li ref={row} className={`rounded-xl ${next ? 'bg-secondary' : ''}`}>
      <div className="flex items-center gap-1 pr-1">
        <label
          className={`flex min-h-11 min-w-0 grow items-center gap-2.5 rounded-xl px-1.5 py-1 ${onTick ? 'cursor-pointer' : ''}`}
        >
          {onTick && (
            <input
              type="checkbox"
              className="checkbox size-6 shrink-0"
              checked={done}
              onChange={(event) => onTick(event.target.checked)}
            />
          )}
          <span className={`min-w-0 leading-tight ${done ? 'text-quiet line-through decoration-1' : ''}`}>
            <span className={next ? 'text-lg font-semibold' : 'text-base'}>
              <Words step={step} />
            </span>
            {step.sign && (next || !onTick) && <span className="block text-sm text-quiet">{step.sign}</span>}
          </span>
        </label>
        {onTick && step.seconds !== null && next && <StepTimer seconds={step.seconds} sign={step.sign} />}
        {onReally && done && written && measured && step.share === 1 && (
          <button
            type="button"
            className="btn btn-ghost btn-sm min-h-11 px-2 text-sm font-normal underline decoration-dotted"
            aria-expanded={correcting}
            onClick={() => setCorrecting(!correcting)}
          >
            poured?<span className="sr-only"> poured {step.words}</span>
          </button>
        )}
      </div>
      {correcting && done && written && amount && onReally && (
        <div className="flex items-center justify-end gap-2 px-2 pb-2">
          <span className="text-base">amount poured</span>
          <AmountField
            label={`amount poured: ${step.words}`}
            pour={written.index}
            shown={amount}
            onAmount={({ amount: really, unit }) =>
              really !== undefined && onReally(written.entry, { amount: really, unit: unit ?? written.entry.unit })
            }
          />
        </div>
      )}
    </li>
  );
}

/** The sentence of a step, its amount to be read at a glance. */
function Words({ step: { words, amount } }: { step: Step }) {
  const at = amount ? words.indexOf(amount) : -1;
  if (at < 0) return words;
  return (
    <>
      {words.slice(0, at)}
      <strong className="font-figure font-semibold whitespace-nowrap">{amount}</strong>
      {words.slice(at + amount.length)}
    </>
  );
}
