import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { Printer } from 'lucide-react';

import { eventCalendar, eventList, type EventPlan, eventPlanQuery } from '@/api';
import { priceText, saveFile } from '@/lib';
import { useDocumentTitle, useSettings, useWithVolumes } from '@/hooks';
import { Button, Checkbox, ErrorMessage, LoadingOrError, PageHeader } from '@/ui';
import { ShoppingList } from '@/features/batches';
import { Timeline } from './Timeline';
import { EventDrinks } from './EventDrinks';
import { TaskList } from './TaskList';
import { useTaskTicks } from './useTaskTicks';

/** The evening that is ahead, worked backwards from its hour: its drinks, its tasks to tick, what it takes. */
export function EventPlanPage() {
  const { supposed } = useSettings();
  const inUnit = useWithVolumes();
  const { data, error } = useQuery(eventPlanQuery(supposed));
  useDocumentTitle('Event plan');
  if (!data) return <LoadingOrError error={error} />;
  return (
    <div className="page-body">
      <div className="print:hidden">
        <PageHeader actions={data.evening && <TakeAlong />} />
      </div>
      <main className="flex flex-col gap-3">
        <header>
          {data.evening && <h2 className="font-display text-2xl font-semibold wrap-anywhere">{data.evening.name}</h2>}
          {data.headline && (
            <p role="status" className="text-xl">
              {inUnit(data.headline)}
            </p>
          )}
        </header>
        {data.warnings.length > 0 && (
          <ul aria-label="Check this" className="panel flex flex-col gap-1 border-warning px-4 py-2 text-lg">
            {data.warnings.map((words) => (
              <li key={words}>{inUnit(words)}</li>
            ))}
          </ul>
        )}
        <div className="grid items-start gap-3 lg:grid-cols-[340px_minmax(0,1fr)_340px] print:block">
          <EventDrinks report={data} />
          <Plan report={data} />
          <EventNeeds report={data} />
        </div>
      </main>
    </div>
  );
}

function Plan({ report }: { report: EventPlan }) {
  const ticks = useTaskTicks('task');
  const [details, setDetails] = useState(false);
  if (!report.evening) {
    return (
      <section className="panel p-5 text-lg lg:col-span-2">
        <h2 className="font-display text-xl font-semibold">No event yet</h2>
        <p className="max-w-prose">
          Add the time of the first guest, the staff and the drinks. You get a prep list and a shopping list.
        </p>
      </section>
    );
  }
  return (
    <section aria-label="Prep list" className="panel flex flex-col gap-3 p-4 print:border-0 print:p-0">
      <div className="flex items-center justify-between gap-3 print:hidden">
        <h2 className="font-display text-xl font-semibold">Prep list</h2>
        <Checkbox words="Details" on={details} onChange={setDetails} />
      </div>
      {report.tasks.length > 0 && <Timeline report={report} />}
      <ErrorMessage fault={ticks.fault} className="text-base text-error" />
      <TaskList
        tasks={report.tasks.map(ticks.of)}
        hands={report.evening.hands}
        details={details}
        onTick={({ key }, done) => ticks.tick(key, done)}
      />
    </section>
  );
}

function EventNeeds({ report }: { report: EventPlan }) {
  const ticks = useTaskTicks('bought');
  const [details, setDetails] = useState(false);
  if (report.bought.length === 0) return null;
  return (
    <section aria-label="Shopping list" className="panel flex flex-col gap-1 p-4 print:mt-4 print:border-0 print:p-0">
      <div className="flex items-center justify-between gap-3">
        <h2 className="font-display text-xl font-semibold">Shopping list</h2>
        <div className="print:hidden">
          <Checkbox words="Details" on={details} onChange={setDetails} />
        </div>
      </div>
      <ShoppingList
        lines={report.bought.map(ticks.of)}
        details={details}
        onTick={({ key }, done) => ticks.tick(key, done)}
      />
      <ErrorMessage fault={ticks.fault} className="text-base text-error" />
      {report.cost > 0 && (
        <p className="pt-1 text-base text-quiet">{priceText(report.cost, report.currency)} at known prices.</p>
      )}
    </section>
  );
}

/** The plan as a calendar, the list as a table or a text, both on paper. */
function TakeAlong() {
  const { supposed } = useSettings();
  const save = async (file: ReturnType<typeof eventCalendar>) => {
    const { text, file_name } = await file;
    saveFile(text, file_name);
  };
  return (
    <>
      <Button look="outline" className="px-2.5" onClick={() => void save(eventCalendar(supposed))}>
        Add to calendar
      </Button>
      <Button look="outline" className="px-2.5" onClick={() => void save(eventList('text', supposed))}>
        Export text
      </Button>
      <Button look="outline" className="px-2.5" onClick={() => void save(eventList('csv', supposed))}>
        Export table
      </Button>
      <Button look="primary" className="gap-2" onClick={() => window.print()}>
        <Printer size={20} aria-hidden /> Print
      </Button>
    </>
  );
}
