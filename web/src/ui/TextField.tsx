interface Props {
  label: string;
  hint?: string;
  value: string;
  /** The longest that is kept. */
  most?: number;
  /** How high it is, where more than a line is likely. */
  rows?: number;
  required?: boolean;
  autoFocus?: boolean;
  className?: string;
  /** What the box itself looks like, besides. */
  box?: string;
  onWrite: (value: string) => void;
}

/** A line to write, or a few, under what is asked. */
export function TextField({ label, most = 200, rows, hint, className = '', box = '', onWrite, ...rest }: Props) {
  const told = { maxLength: most, placeholder: hint, ...rest };
  return (
    <label className={`flex flex-col gap-1 ${className}`}>
      {label}
      {rows ? (
        <textarea
          {...told}
          className={`textarea w-full text-lg ${box}`}
          rows={rows}
          onChange={(event) => onWrite(event.target.value)}
        />
      ) : (
        <input {...told} className={`input input-lg w-full ${box}`} onChange={(event) => onWrite(event.target.value)} />
      )}
    </label>
  );
}
