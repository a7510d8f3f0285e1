import type { ReactNode } from 'react';

interface Props {
  title: string;
  /** How many things are in it, told beside the title. */
  count?: number;
  children: ReactNode;
}

/** Something that waits folded until it is wanted. */
export function Disclosure({ title, count, children }: Props) {
  return (
    // What unfolds below the edge of its panel is brought into sight.
    <details className="group" onToggle={(event) => event.currentTarget.scrollIntoView({ block: 'nearest' })}>
      <summary className="flex min-h-9 cursor-pointer list-none items-center gap-2 text-base font-semibold">
        <span aria-hidden className="inline-block transition-transform group-open:rotate-90">
          ›
        </span>
        {title} {count !== undefined && <span className="font-normal text-quiet">{count}</span>}
      </summary>
      {children}
    </details>
  );
}
