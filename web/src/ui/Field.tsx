import type { ReactNode } from 'react';

interface FieldProps {
  label: string;
  wide?: boolean;
  /** Its label stays back. */
  quiet?: boolean;
  children: ReactNode;
}

/** What is asked, above where it is answered. */
export function Field({ label, wide = false, quiet = false, children }: FieldProps) {
  return (
    <label className={`flex flex-col gap-1 ${wide ? 'sm:col-span-2' : ''}`}>
      {quiet ? <span className="text-quiet">{label}</span> : label}
      {children}
    </label>
  );
}

interface FigureProps {
  id?: string;
  value: string | number;
  most: number;
  placeholder?: string;
  onChange: (value: string) => void;
}

/** A figure, from nought, as it is typed. */
export function Figure({ id, value, most, placeholder = '', onChange }: FigureProps) {
  return (
    <input
      id={id}
      type="number"
      min={0}
      max={most}
      step="any"
      inputMode="decimal"
      placeholder={placeholder}
      className="input input-lg w-full font-figure"
      value={value}
      onChange={(event) => onChange(event.target.value)}
    />
  );
}
