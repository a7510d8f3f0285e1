import type { ReactNode } from 'react';

interface Props {
  /** The mark, the drink's name and the actions. */
  top: ReactNode;
  /** A line across the page, when something has to be told. */
  notice?: ReactNode;
  /** Left: the pours, or a board while one is chosen. */
  pours: ReactNode;
  /** Middle, above: where the drink stands. */
  field: ReactNode;
  /** Middle, below: the riff in one breath, and the three sentences. */
  sentences: ReactNode;
  /** Right, above: the glass. */
  glass: ReactNode;
  /** Right, below: how it is made, what to know, the trials. */
  making: ReactNode;
  /** What is open over the page. */
  dialogs?: ReactNode;
  /** The left part is a board: it takes the room of the right one. */
  wide?: boolean;
}

/** The parts of the bench: side by side on a table, the figures always in sight on a tablet and a phone. */
export function BenchLayout({ top, notice, pours, field, sentences, glass, making, dialogs, wide = false }: Props) {
  return (
    <div className="page-body min-[1200px]:h-(--page) min-[1200px]:min-h-[640px] min-[1200px]:overflow-hidden">
      {top}
      {notice}
      <main className={`bench-grid ${wide ? 'bench-wide' : ''} grid min-h-0 grow gap-2.5`}>
        <section
          aria-label="Ingredients"
          className="panel flex min-h-0 flex-col [grid-area:pours] min-[1200px]:overflow-hidden"
        >
          {pours}
        </section>
        <div className="bench-column [grid-area:middle]">
          <section aria-label="Balance" className="panel min-h-0 grow [grid-area:field]">
            {field}
          </section>
          <section aria-label="Changes" className="panel z-20 shrink-0 [grid-area:sentences]">
            {sentences}
          </section>
        </div>
        <div className={`bench-column [grid-area:side] ${wide ? 'min-[1200px]:hidden!' : ''}`}>
          <div className="[grid-area:glass]">{glass}</div>
          <section aria-label="Method" className="panel flex min-h-0 grow flex-col overflow-hidden [grid-area:making]">
            {making}
          </section>
        </div>
      </main>
      {dialogs}
    </div>
  );
}
