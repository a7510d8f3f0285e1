import type { ReactNode } from 'react';

interface Props {
  text: string;
  /** Told when there is a moment for it. */
  quiet?: boolean;
  children?: ReactNode;
}

/** A line across the page that has to be seen, with what can be done about it. */
export function Notice({ text, quiet = false, children }: Props) {
  return (
    <div
      role={quiet ? 'status' : 'alert'}
      className="panel flex flex-wrap items-center gap-3 border-warning px-4 py-2 text-lg"
    >
      <span className="min-w-60 grow">{text}</span>
      {children}
    </div>
  );
}
