import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';

import type { KeptBatchSummary } from '../../api/client';
import { newestQuery } from '../../api/queries/drinks';
import { batchesQuery } from '../../api/queries/service';
import { day, plain } from '../../lib/format';
import { TopBar } from '../../shell/TopBar';
import { Waiting } from '../../shell/Waiting';
import { Check } from '../../ui/Check';
import { useTitle } from '../../ui/useTitle';
import { Bottle } from './Bottle';
import { serviceName } from './services';

/** The bottles that were mixed and are still there, and the way to another. */
export function BatchesPage() {
  const [every, setEvery] = useState(false);
  const { data, error } = useQuery(batchesQuery(every));
  useTitle('Batches');
  if (!data) return <Waiting error={error} />;
  return (
    <div className="mx-auto flex min-h-(--page) max-w-[1200px] flex-col gap-4 p-3 sm:p-4">
      <TopBar
        actions={
          <Link to="/tonight" className="btn min-h-11 text-base">
            Event plan
          </Link>
        }
      />
      <main className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_320px]">
        <div className="flex flex-col gap-3">
          <div className="flex flex-wrap items-center gap-4">
            <h1 className="grow font-display text-3xl font-semibold">Batches</h1>
            <Check words="Show finished" on={every} onChange={setEvery} />
          </div>
          {data.length === 0 ? (
            <p className="panel max-w-prose p-4 text-lg">
              A batch is one drink mixed for many, with the dilution already in the bottle. Choose a drink to get
              amounts, order and label.
            </p>
          ) : (
            <ul className="grid gap-3 sm:grid-cols-2">
              {data.map((batch) => (
                <li key={batch.id}>
                  <BatchCard batch={batch} />
                </li>
              ))}
            </ul>
          )}
        </div>
        <Another />
      </main>
    </div>
  );
}

function BatchCard({ batch }: { batch: KeptBatchSummary }) {
  const { id, name, left_ml, volume_ml, serves_left, service, use_by, past, used_up_at, made_by, made_at, descent } =
    batch;
  return (
    <Link to={`/batches/${id}`} className="panel flex h-full gap-3 p-3 hover:bg-secondary focus-visible:bg-secondary">
      <Bottle
        className="w-12 shrink-0"
        container={volume_ml / 0.9}
        bands={[{ key: 'left', ml: left_ml, brings: 'other' }]}
        label={`${plain((100 * left_ml) / volume_ml, 0)}% left`}
      />
      <span className="flex min-w-0 flex-col leading-tight">
        <span className="font-display text-xl font-semibold">{name}</span>
        <span className="pt-1 text-2xl font-semibold">
          {used_up_at ? 'finished' : `${serves_left} ${serves_left === 1 ? 'serve' : 'serves'}`}
          <span className="text-base font-normal text-quiet"> {plain(left_ml, 0)} ml left</span>
        </span>
        <span className={`pt-1 text-base ${past ? 'font-semibold text-warning' : 'text-quiet'}`}>
          {past ? 'Past its day: ' : ''}use by {day(use_by)}
        </span>
        <span className="text-base text-quiet">
          {serviceName(service)}; made {day(made_at)}
          {made_by && ` by ${made_by}`}
        </span>
        {descent && <span className="text-base text-quiet">Contains: {descent}</span>}
      </span>
    </Link>
  );
}

/** The drinks of the book, each a press away from its batch. */
function Another() {
  const drinks = useQuery(newestQuery()).data ?? [];
  return (
    <section aria-label="New batch" className="panel p-3">
      <h2 className="px-1 font-display text-xl font-semibold">New batch of</h2>
      <ul className="max-h-[60vh] overflow-y-auto">
        {drinks.map(({ id, name }) => (
          <li key={id}>
            <Link to={`/batch/${id}`} className="flex min-h-11 items-center rounded-xl px-2 text-lg hover:bg-secondary">
              {name}
            </Link>
          </li>
        ))}
      </ul>
      {drinks.length === 0 && <p className="text-lg text-quiet">No recipes yet.</p>}
    </section>
  );
}
