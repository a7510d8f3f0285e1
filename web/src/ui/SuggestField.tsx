import { useId } from 'react';

interface Props {
  label: string;
  value: string;
  hint?: string;
  most?: number;
  /** Usual answers, to choose from or not. */
  usual: readonly string[] | undefined;
  autoFocus?: boolean;
  onWrite: (value: string) => void;
}

/** A line to write in any words, with the usual ones to choose from. */
export function SuggestField({ label, value, hint, most = 200, usual, autoFocus = false, onWrite }: Props) {
  const id = useId();
  return (
    <label className="flex flex-col gap-1">
      {label}
      <input
        className="input input-lg w-full"
        list={id}
        maxLength={most}
        value={value}
        placeholder={hint}
        autoFocus={autoFocus}
        onChange={(event) => onWrite(event.target.value)}
      />
      <datalist id={id}>
        {usual?.map((text) => (
          <option key={text} value={text} />
        ))}
      </datalist>
    </label>
  );
}
