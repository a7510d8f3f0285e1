import { Printer } from 'lucide-react';
import type { ReactNode } from 'react';

import { Button } from './Button';
import { PageHeader } from './PageHeader';

interface Props {
  /** The page’s own title; the tabs of its place where it has none. */
  title?: ReactNode;
  children: ReactNode;
}

/** What is printed, on the screen as on paper, with its title and the way to the printer. */
export function PrintPage({ title, children }: Props) {
  return (
    <div className="page-body print:p-0">
      <div className="print:hidden">
        <PageHeader
          actions={
            <Button look="primary" className="gap-2" onClick={() => window.print()}>
              <Printer size={20} aria-hidden /> Print
            </Button>
          }
        >
          {title && <h1 className="font-display text-2xl leading-tight font-semibold">{title}</h1>}
        </PageHeader>
      </div>
      <main className="flex flex-col gap-4 print:contents">{children}</main>
    </div>
  );
}

/** A sheet as the server writes it: its text is all escaped there. */
export function ServerSheet({ html }: { html: string }) {
  return <div className="min-w-0 print:contents" dangerouslySetInnerHTML={{ __html: html }} />;
}

interface LabelProps {
  /** What is in the bottle. */
  heading: string;
  /** Which one of them it is. */
  name: string;
  cautions: string[];
  children: ReactNode;
}

/** What is stuck on a bottle, at its size on paper. */
export function PaperLabel({ heading, name, cautions, children }: LabelProps) {
  return (
    <article
      aria-label="Label"
      className="lot-label mx-auto flex w-[9cm] flex-col gap-1 rounded-2xl border-2 border-[#23252e] bg-[#fffdf7] p-[5mm] text-[#23252e]"
    >
      <p className="font-display text-[22pt] leading-none font-semibold">{heading}</p>
      <p className="text-[12pt]">{name}</p>
      {children}
      {cautions.length > 0 && <p className="text-[9pt]">{cautions.join(', ')}</p>}
      <p className="text-[9pt]">Trust your nose over the date. Check the labels of its ingredients.</p>
    </article>
  );
}
