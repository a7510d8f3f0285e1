interface Props {
  words: string;
  on: boolean;
  onChange: (on: boolean) => void;
  className?: string;
}

/** A box to tick with its words, a target as wide as both. */
export function Checkbox({ words, on, onChange, className = 'gap-2 text-base' }: Props) {
  return (
    <label className={`flex min-h-11 cursor-pointer items-center ${className}`}>
      <input type="checkbox" className="checkbox" checked={on} onChange={(event) => onChange(event.target.checked)} />
      {words}
    </label>
  );
}
