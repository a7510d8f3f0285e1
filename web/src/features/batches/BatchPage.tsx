import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';

import { batchQuery, type DrinkDetail, drinkQuery, type PouredTrial, pouredTrialQuery } from '@/api';
import { useDocumentTitle, useSettings } from '@/hooks';
import { ErrorMessage, LoadingOrError, PageHeader } from '@/ui';
import { BatchSettings } from './BatchSettings';
import { FillingOrder } from './FillingOrder';
import { SaveBatch } from './SaveBatch';
import { BatchServe } from './BatchServe';
import { batchEntry, useBatchRequest } from './useBatchRequest';

/** A drink for many: how it is served and how much, what goes into the bottle in which order, and what a serve of it is. */
export function BatchPage() {
  const id = Number(useParams().drinkId);
  const drink = useQuery(drinkQuery(id));
  useDocumentTitle(drink.data && `Batch of ${drink.data.name}`);
  if (!drink.data) return <LoadingOrError error={drink.error} />;
  return <Batching key={id} drink={drink.data} />;
}

function Batching({ drink }: { drink: DrinkDetail }) {
  const poured = useQuery(pouredTrialQuery(drink.id));
  if (!poured.data) return <LoadingOrError error={poured.error} />;
  return <Amounts drink={drink} trial={poured.data} />;
}

function Amounts({ drink, trial }: { drink: DrinkDetail; trial: PouredTrial }) {
  const { supposed } = useSettings();
  const { spec } = trial;
  const { wish, change } = useBatchRequest(spec.serve.ice === 'none' ? 'chilled' : 'ice');
  const query = useQuery(batchQuery(batchEntry(wish, spec), supposed));
  const batch = query.error ? undefined : query.data;
  return (
    <div className="page-body">
      <PageHeader>
        <h1 className="font-display text-2xl leading-tight font-semibold">
          <Link to={`/bench/${drink.id}`} className="hover:underline">
            {drink.name}
          </Link>
          , batch
          <span className="block font-sans text-base font-normal text-quiet">
            of “{trial.name}”, with today’s bottles and juice
          </span>
        </h1>
      </PageHeader>
      <main className="grid items-start gap-3 md:grid-cols-[280px_minmax(0,1fr)] xl:grid-cols-[280px_minmax(0,1fr)_360px]">
        <BatchSettings wish={wish} spec={spec} onChange={change} />
        <section aria-label="Into the bottle" className="panel flex flex-col gap-2 p-4">
          <ErrorMessage fault={query.error} className="text-lg text-error" />
          {batch && <FillingOrder batch={batch} wish={wish} onChange={change} />}
          {!batch && !query.error && <p className="text-lg text-quiet">Working it out…</p>}
        </section>
        {batch && (
          <div className="flex flex-col gap-3 md:max-xl:col-span-2 md:max-xl:grid md:max-xl:grid-cols-2">
            <BatchServe batch={batch} />
            <SaveBatch drink={drink} spec={spec} wish={wish} batch={batch} />
          </div>
        )}
      </main>
    </div>
  );
}
