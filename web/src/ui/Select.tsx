interface Props<Value> {
  /** What it is called, where no label stands around it. */
  label?: string;
  value: Value;
  options: (readonly [Value, string])[];
  onPick: (value: Value) => void;
  className?: string;
  disabled?: boolean;
}

/** One out of a list that unfolds. */
export function Select<Value extends string | number>(props: Props<Value>) {
  const { label, value, options, onPick, className = 'min-h-11 w-auto text-base', disabled } = props;
  return (
    <select
      aria-label={label}
      className={`select ${className}`}
      value={value}
      disabled={disabled}
      onChange={({ target }) => {
        const chosen = options[target.selectedIndex];
        if (chosen) onPick(chosen[0]);
      }}
    >
      {options.map(([item, words]) => (
        <option key={item} value={item}>
          {words}
        </option>
      ))}
    </select>
  );
}
