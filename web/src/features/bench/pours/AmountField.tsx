import { Minus, Plus, type LucideIcon } from 'lucide-react';
import { useId, useState } from 'react';

import type { Amount, PourEntry } from '@/api';
import { plainNumber, type ShownAmount } from '@/lib';
import { useTypedAmount } from './useTypedAmount';

interface Props {
  /** Whose amount it is, for who can't see the row. */
  label: string;
  /** Its place in the drink: "half the gin" means something only beside the gin. */
  pour: number;
  shown: ShownAmount;
  /** The user's own words for it. */
  said?: string | null | undefined;
  onAmount: (change: Partial<PourEntry>) => void;
}

/** An amount where it can't be changed. */
export function AmountText({ shown }: { shown: ShownAmount }) {
  return (
    <span className="px-3 py-2 text-right font-figure text-xl">
      {shown.text} <span className="font-sans text-base text-quiet">{shown.word}</span>
    </span>
  );
}

/** An amount to type, step or nudge with the arrow keys. */
export function AmountField({ label, pour, shown, said, onAmount }: Props) {
  const { text, typed, question, refusal, type, step, press, choose, leave } = useTypedAmount(pour, shown, onAmount);
  const [edge, setEdge] = useState(false);
  const helpId = useId();
  return (
    <div className="relative">
      <div
        className={`flex items-center rounded-xl border bg-base-100 ${refusal ? 'border-error' : edge ? 'border-base-content' : 'border-base-300'}`}
      >
        <Stepper icon={Minus} label={`Less ${label}`} onStep={() => step(-1)} />
        <span className="flex flex-col items-center">
          <input
            className="field-sizing-content max-w-44 min-w-14 bg-transparent text-center font-figure text-xl outline-none"
            data-amount=""
            inputMode="text"
            autoComplete="off"
            spellCheck={false}
            maxLength={60}
            aria-label={`Amount of ${label}`}
            aria-invalid={refusal !== null}
            aria-describedby={helpId}
            value={text}
            onChange={(event) => type(event.target.value)}
            onFocus={(event) => {
              setEdge(true);
              event.target.select();
            }}
            onBlur={() => {
              setEdge(false);
              leave();
            }}
            onKeyDown={press}
          />
          <span aria-hidden className="-mt-1.5 pb-0.5 text-sm leading-none text-quiet">
            {shown.word}
          </span>
        </span>
        <Stepper icon={Plus} label={`More ${label}`} onStep={() => step(1)} />
      </div>
      {question && <AmbiguityChoice typed={typed} question={question} onChoose={choose} />}
      <p
        id={helpId}
        className={
          refusal
            ? 'panel pointer-events-none absolute top-full right-0 z-20 mt-1 w-72 p-2 text-base text-error'
            : 'sr-only'
        }
        role={refusal ? 'alert' : undefined}
      >
        {refusal ?? `in ${shown.word}${said ? `, “${said}” in the recipe` : ''}. Type it, or use the arrow keys`}
      </p>
    </div>
  );
}

function Stepper({ icon: Icon, label, onStep }: { icon: LucideIcon; label: string; onStep: () => void }) {
  return (
    <button
      type="button"
      tabIndex={-1}
      className="grid h-11 w-8.5 place-items-center"
      aria-label={label}
      onClick={onStep}
    >
      <Icon size={18} aria-hidden />
    </button>
  );
}

interface WhichProps {
  typed: string | null;
  question: Amount;
  onChoose: (choice: Amount['choices'][number], partMl?: number) => void;
}

/** A text that may be several measures: ask. */
function AmbiguityChoice({ typed, question: { asks, choices, part_sizes }, onChoose }: WhichProps) {
  const words = asks === 'part' ? 'How big is one part in this drink?' : `“${typed}” can mean these. Which one?`;
  return (
    <div role="group" aria-label="Which one" className="panel absolute top-full right-0 z-20 mt-1 w-72 p-2">
      <p className="pb-1.5">{words}</p>
      <span className="flex gap-1.5">
        {choices.map((choice, index) => (
          <button
            key={`${choice.amount} ${choice.unit}`}
            type="button"
            className="btn min-h-12 grow px-1 font-figure text-lg font-normal"
            onClick={() => onChoose(choice, part_sizes[index])}
          >
            {asks === 'part'
              ? `${plainNumber(part_sizes[index] ?? 0)} ml`
              : `${plainNumber(choice.amount)} ${choice.unit}`}
          </button>
        ))}
      </span>
    </div>
  );
}
