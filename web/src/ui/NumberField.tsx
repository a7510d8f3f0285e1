import { useId, useState, type InputHTMLAttributes, type ReactNode } from 'react';

import { notANumber, parseNumber } from '@/lib';

interface FieldProps {
  label: string;
  wide?: boolean;
  /** Its label stays back. */
  quiet?: boolean;
  children: ReactNode;
}

/** What is asked, above where it is answered. */
export function FormField({ label, wide = false, quiet = false, children }: FieldProps) {
  return (
    <label className={`flex flex-col gap-1 ${wide ? 'sm:col-span-2' : ''}`}>
      {quiet ? <span className="text-quiet">{label}</span> : label}
      {children}
    </label>
  );
}

interface FigureProps extends Omit<InputHTMLAttributes<HTMLInputElement>, 'value' | 'onChange' | 'type'> {
  value: number | null | undefined;
  least?: number;
  most?: number;
  /** May stand behind the number: “%”. */
  unit?: string;
  /** Called with what was meant, once it is finished: never with a beginning. Null: the field was emptied. */
  onFigure: (value: number | null) => void;
}

/**
 * A number to type. It holds what is typed until it is finished; what is no number stays in it with a sentence, the last one counts, and
 * Escape gives that back.
 */
export function NumberField({
  value,
  least = 0,
  most = Infinity,
  unit = '',
  onFigure,
  className,
  ...rest
}: FigureProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const [refusal, setRefusal] = useState('');
  const sentenceId = useId();
  const refuse = (sentence: string, field: HTMLInputElement) => {
    setRefusal(sentence);
    field.setCustomValidity(sentence);
  };
  const finish = (field: HTMLInputElement) => {
    if (typed === null) return;
    const number = typed.trim() === '' ? null : parseNumber(typed, unit);
    if (number === null && typed.trim() !== '') refuse(notANumber(typed), field);
    else if (number !== null && (number < least || number > most)) {
      refuse(`Enter ${least} to ${most}, not ${number}.`, field);
    } else {
      setTyped(null);
      if (number !== (value ?? null)) onFigure(number);
    }
  };
  const begin = (text: string | null, field: HTMLInputElement) => {
    setTyped(text);
    refuse('', field);
  };
  return (
    <span className="flex min-w-0 flex-col">
      <input
        {...rest}
        inputMode="decimal"
        autoComplete="off"
        className={className ?? 'input input-lg w-full font-figure'}
        aria-invalid={refusal !== ''}
        aria-describedby={refusal ? sentenceId : undefined}
        value={typed ?? value ?? ''}
        onChange={(event) => begin(event.target.value, event.target)}
        onBlur={(event) => finish(event.target)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') finish(event.currentTarget);
          if (event.key !== 'Escape' || typed === null) return;
          begin(null, event.currentTarget);
          event.preventDefault();
          event.stopPropagation();
        }}
      />
      {refusal && (
        <span id={sentenceId} role="alert" className="pt-1 text-base text-error">
          {refusal}
        </span>
      )}
    </span>
  );
}
