import { Button } from './Button';
import { Printer } from 'lucide-react';
import type { ReactNode } from 'react';

import { PageHeader } from './PageHeader';

interface Props {
  /** The page’s own title; the tabs of its place where it has none. */
  title?: ReactNode;
  /** A sheet as the server writes it: its text is all escaped there. */
  html: string;
  /** What is chosen above the sheet. */
  children?: ReactNode;
}

/** A sheet on the screen as it is printed, with its title and the way to the printer. */
export function PrintPage({ title, html, children }: Props) {
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
      <main className="flex flex-col gap-4 print:contents">
        {children}
        <div className="min-w-0 print:contents" dangerouslySetInnerHTML={{ __html: html }} />
      </main>
    </div>
  );
}
