import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';

import type { DrinkDetail, PouredTrial } from '../../api/client';
import { drinkQuery } from '../../api/queries/drinks';
import { batchQuery, pouredQuery } from '../../api/queries/service';
import { useSettings } from '../../lib/settings';
import { TopBar } from '../../shell/TopBar';
import { Waiting } from '../../shell/Waiting';
import { Refused } from '../../ui/Refused';
import { useTitle } from '../../ui/useTitle';
import { Asked } from './Asked';
import { JugAndBottle } from './JugAndBottle';
import { MadeIt } from './MadeIt';
import { OneServe } from './OneServe';
import { entryOf, useBatchWish } from './useBatchWish';

/** A drink for many: how it is served and how much, what goes into the bottle in which order, and what a serve of it is. */
export function BatchPage() {
  const id = Number(useParams().drinkId);
  const drink = useQuery(drinkQuery(id));
  useTitle(drink.data && `Batch of ${drink.data.name}`);
  if (!drink.data) return <Waiting error={drink.error} />;
  return <Batching key={id} drink={drink.data} />;
}

function Batching({ drink }: { drink: DrinkDetail }) {
  const poured = useQuery(pouredQuery(drink.id));
  if (!poured.data) return <Waiting error={poured.error} />;
  return <Amounts drink={drink} trial={poured.data} />;
}

function Amounts({ drink, trial }: { drink: DrinkDetail; trial: PouredTrial }) {
  const { supposed } = useSettings();
  const { spec } = trial;
  const { wish, change } = useBatchWish(spec.serve.ice === 'none' ? 'chilled' : 'ice');
  const asked = useQuery(batchQuery(entryOf(wish, spec), supposed));
  const batch = asked.error ? undefined : asked.data;
  return (
    <div className="page-body">
      <TopBar>
        <h1 className="font-display text-2xl leading-tight font-semibold">
          <Link to={`/bench/${drink.id}`} className="hover:underline">
            {drink.name}
          </Link>
          , batch
          <span className="block font-sans text-base font-normal text-quiet">
            of “{trial.name}”, with today’s bottles and juice
          </span>
        </h1>
      </TopBar>
      <main className="grid items-start gap-3 md:grid-cols-[280px_minmax(0,1fr)] xl:grid-cols-[280px_minmax(0,1fr)_360px]">
        <Asked wish={wish} spec={spec} onChange={change} />
        <section aria-label="Into the bottle" className="panel flex flex-col gap-2 p-4">
          <Refused fault={asked.error} className="text-lg text-error" />
          {batch && <JugAndBottle batch={batch} wish={wish} onChange={change} />}
          {!batch && !asked.error && <p className="text-lg text-quiet">Working it out…</p>}
        </section>
        {batch && (
          <div className="flex flex-col gap-3 md:max-xl:col-span-2 md:max-xl:grid md:max-xl:grid-cols-2">
            <OneServe batch={batch} />
            <MadeIt drink={drink} spec={spec} wish={wish} batch={batch} />
          </div>
        )}
      </main>
    </div>
  );
}
