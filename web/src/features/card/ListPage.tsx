import { useQuery } from '@tanstack/react-query';
import { Printer } from 'lucide-react';
import { useSearchParams } from 'react-router';

import { listQuery } from '../../api/queries/cards';
import { useSettings } from '../../lib/settings';
import { TopBar } from '../../shell/TopBar';
import { Waiting } from '../../shell/Waiting';
import { useTitle } from '../../ui/useTitle';
import { Paper } from './Paper';

/** A whole list on one sheet: the finished drinks, or those that the address names. */
export function ListPage() {
  const [params] = useSearchParams();
  const { supposed, way, shown, country } = useSettings();
  const drinks = (params.get('drinks') ?? '').split(',').map(Number).filter(Boolean);
  const sheet = useQuery(listQuery({ drinks, ...way, shown, country }, supposed));
  useTitle('The list');
  if (!sheet.data) return <Waiting error={sheet.error} />;
  return (
    <div className="mx-auto flex min-h-dvh max-w-[1400px] flex-col gap-4 p-3 sm:p-4 print:block print:max-w-none print:p-0">
      <div className="print:hidden">
        <TopBar
          actions={
            <button type="button" className="btn btn-primary min-h-11 gap-2 text-base" onClick={() => window.print()}>
              <Printer size={20} aria-hidden /> Print
            </button>
          }
        >
          <h1 className="font-display text-2xl leading-tight font-semibold">The list on one sheet</h1>
        </TopBar>
      </div>
      <main className="print:contents">
        <Paper html={sheet.data.html} />
      </main>
    </div>
  );
}
