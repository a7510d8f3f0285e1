import { useQuery } from '@tanstack/react-query';
import { Printer } from 'lucide-react';

import { lotsQuery, type MenuToday, menuTodayQuery } from '@/api';
import { useDocumentTitle, useLastDefined, useSettings, useSwapTarget, useWithVolumes } from '@/hooks';
import { Button, LoadingOrError, PageHeader } from '@/ui';
import { DrinkCard } from './DrinkCard';
import { LotStrip } from './LotStrip';
import { EveningLists } from './EveningLists';

/** The room that a bar opens first: today's lots, each drink of the list with what to pour instead, what the evening takes. */
export function TodayPage() {
  const { supposed } = useSettings();
  const inUnit = useWithVolumes();
  const aim = useSwapTarget();
  const query = useQuery(menuTodayQuery(aim.grid, supposed));
  const lots = useLastDefined(useQuery(lotsQuery()).data);
  // What was there last stays in sight while a new reading is worked out.
  const today = useLastDefined(query.data);
  useDocumentTitle('Today');
  if (!today || !lots) return <LoadingOrError error={query.error} />;
  const date = new Date().toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long' });
  return (
    <div className="page-body">
      <div className="print:hidden">
        <PageHeader
          actions={
            <Button className="gap-2" onClick={() => window.print()}>
              <Printer size={20} aria-hidden /> Print
            </Button>
          }
        />
      </div>
      <main className="flex flex-col gap-4 print:gap-2">
        <header>
          <h2 className="font-display text-2xl font-semibold">{date}</h2>
          <p role="status" className="text-xl">
            {inUnit(today.headline)} {today.shared.map((text) => `${inUnit(text)}.`).join(' ')}
          </p>
        </header>
        <LotStrip lots={lots} />
        <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_360px] print:block">
          <List today={today} />
          <EveningLists today={today} />
        </div>
      </main>
    </div>
  );
}

function List({ today }: { today: MenuToday }) {
  if (today.drinks.length === 0) {
    return (
      <section className="panel p-5 text-lg">
        <h2 className="font-display text-xl font-semibold">No drink is on the menu yet</h2>
        <p className="max-w-prose">
          Mark a trial as finished to put its drink on the menu. Today then shows what to pour with today’s juice and
          bottles.
        </p>
      </section>
    );
  }
  // What wants a hand comes first.
  const drinks = [...today.drinks].sort((a, b) => Number(a.fine) - Number(b.fine));
  return (
    <section aria-label="Menu" className="min-w-0">
      {today.whole_book && (
        <p className="mb-2 text-quiet">No trial is marked finished, so the newest ones are shown.</p>
      )}
      <ul className="grid gap-3 md:grid-cols-2 print:grid-cols-2 print:gap-2">
        {drinks.map((drink) => (
          <DrinkCard key={drink.drink_id} drink={drink} />
        ))}
      </ul>
    </section>
  );
}
