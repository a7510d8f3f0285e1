import type { ReactNode } from 'react';

interface Props {
  /** The mark, the drink's name and the actions. */
  top: ReactNode;
  /** A line across the page, when something has to be told. */
  notice?: ReactNode;
  /** Left: the pours, or the larder while one is chosen. */
  pours: ReactNode;
  /** Middle, above: where the drink stands. */
  field: ReactNode;
  /** Middle, below: the three sentences. */
  sentences: ReactNode;
  /** Right: what is in the glass, the trials, what to watch. */
  side: ReactNode;
  /** The left part is a board: it takes the room of the right one. */
  wide?: boolean;
}

/** The three parts of the bench: side by side on a table, the figures always in sight on a tablet and a phone. */
export function Surface({ top, notice, pours, field, sentences, side, wide = false }: Props) {
  return (
    <div className="mx-auto flex min-h-dvh max-w-[1500px] flex-col gap-3 p-3 xl:h-dvh xl:min-h-[700px] xl:overflow-hidden">
      {top}
      {notice}
      <main className={`bench-grid ${wide ? 'bench-wide' : ''} grid min-h-0 grow gap-3`}>
        <section
          aria-label="Pours"
          className="panel flex min-h-0 flex-col [grid-area:pours] min-[1200px]:overflow-hidden"
        >
          {pours}
        </section>
        <section aria-label="Where it stands" className="panel min-h-0 [grid-area:field]">
          {field}
        </section>
        <section aria-label="What changed" className="panel z-10 [grid-area:sentences]">
          {sentences}
        </section>
        <div className={`flex min-h-0 flex-col gap-3 [grid-area:side] ${wide ? 'min-[1200px]:hidden' : ''}`}>
          {side}
        </div>
      </main>
    </div>
  );
}
