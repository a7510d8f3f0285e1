import { useDocumentTitle, useWithVolumes } from '@/hooks';
import { useQuery } from '@tanstack/react-query';
import { BottleWine } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';

import { batchesQuery, newestQuery, type SavedBatchSummary } from '@/api';
import { dayText, plainNumber } from '@/lib';
import { Checkbox, LoadingOrError, PageHeader } from '@/ui';
import { BottleDrawing } from './BottleDrawing';
import { serviceName } from './serviceStyles';

/** The bottles that were mixed and are still there, and the way to another. */
export function BatchesPage() {
  const [every, setEvery] = useState(false);
  const { data, error } = useQuery(batchesQuery(every));
  useDocumentTitle('Batches');
  if (!data) return <LoadingOrError error={error} />;
  return (
    <div className="page-body">
      <PageHeader actions={<Checkbox words="Show finished" on={every} onChange={setEvery} />} />
      <main className="flex flex-col gap-4">
        <div className="flex flex-col gap-3">
          {data.length === 0 ? (
            <p className="panel max-w-prose p-4 text-lg">
              A batch is one drink mixed for many, with the dilution already in the bottle. Choose a drink to get
              amounts, order and label.
            </p>
          ) : (
            <ul className="grid gap-3 sm:grid-cols-2 xl:grid-cols-3">
              {data.map((batch) => (
                <li key={batch.id}>
                  <BatchCard batch={batch} />
                </li>
              ))}
            </ul>
          )}
        </div>
        <NewBatch />
      </main>
    </div>
  );
}

function BatchCard({ batch }: { batch: SavedBatchSummary }) {
  const { id, name, left_ml, volume_ml, serves_left, service, use_by, past, used_up_at, made_by, made_at, descent } =
    batch;
  const inUnit = useWithVolumes();
  return (
    <Link
      to={`/service/batches/${id}`}
      className="panel flex h-full gap-5 p-4 hover:bg-secondary focus-visible:bg-secondary"
    >
      <BottleDrawing
        className="w-20 shrink-0"
        container={volume_ml / 0.9}
        bands={[{ key: 'left', ml: left_ml, brings: 'other' }]}
        label={`${plainNumber((100 * left_ml) / volume_ml, 0)}% left`}
      />
      <span className="flex min-w-0 flex-col leading-tight">
        <span className="font-display text-xl font-semibold">{name}</span>
        <span className="pt-1 text-2xl font-semibold">
          {used_up_at ? 'finished' : `${serves_left} ${serves_left === 1 ? 'serve' : 'serves'}`}
          <span className="text-base font-normal text-quiet"> {inUnit(`${plainNumber(left_ml, 0)} ml left`)}</span>
        </span>
        <span className={`pt-1 text-base ${past ? 'font-semibold text-warning' : 'text-quiet'}`}>
          {past ? 'Past its day: ' : ''}use by {dayText(use_by)}
        </span>
        <span className="text-base text-quiet">
          {serviceName(service)}, made {dayText(made_at)}
          {made_by && ` by ${made_by}`}
        </span>
        {descent && <span className="text-base text-quiet">Contains: {descent}</span>}
      </span>
    </Link>
  );
}

/** The drinks of the book, each a press away from its batch. */
function NewBatch() {
  const drinks = useQuery(newestQuery()).data ?? [];
  return (
    <section aria-label="New batch" className="panel p-4">
      <h2 className="pb-2 font-display text-xl font-semibold">New batch of</h2>
      <ul className="grid gap-1 sm:grid-cols-2 lg:grid-cols-3 xl:grid-cols-4">
        {drinks.map(({ id, name }) => (
          <li key={id}>
            <Link
              to={`/service/batch/${id}`}
              className="flex min-h-13 items-center gap-2 rounded-xl border border-base-300 px-3 text-lg hover:bg-secondary"
            >
              <BottleWine size={20} aria-hidden className="text-quiet" /> {name}
            </Link>
          </li>
        ))}
      </ul>
      {drinks.length === 0 && <p className="text-lg text-quiet">No recipes yet.</p>}
    </section>
  );
}
