import type { ReactNode } from 'react';

export function Choice({ label, children }: { label: string; children: ReactNode }) {
  return (
    <label className="flex flex-col gap-1">
      <span className="text-quiet">{label}</span>
      {children}
    </label>
  );
}

interface PickProps<Value> {
  value: Value;
  options: (readonly [Value, string])[];
  onPick: (value: Value) => void;
}

/** One out of a list. */
export function Pick<Value extends string>({ value, options, onPick }: PickProps<Value>) {
  return (
    <select
      className="select min-h-11 text-base"
      value={value}
      onChange={(event) => onPick(event.target.value as Value)}
    >
      {options.map(([each, words]) => (
        <option key={each} value={each}>
          {words}
        </option>
      ))}
    </select>
  );
}
