interface Props<Value> {
  label: string;
  options: (readonly [Value, string])[];
  value: Value;
  onChange: (value: Value) => void;
}

/** One out of a few, side by side. */
export function Segments<Value extends string | number>({ label, options, value, onChange }: Props<Value>) {
  return (
    <div role="group" aria-label={label} className="flex items-center gap-1">
      {options.map(([option, words]) => (
        <button
          key={option}
          type="button"
          aria-pressed={option === value}
          className={`btn min-h-11 px-3 text-base font-normal ${option === value ? 'btn-secondary' : 'btn-ghost border-base-300'}`}
          onClick={() => onChange(option)}
        >
          {words}
        </button>
      ))}
    </div>
  );
}
