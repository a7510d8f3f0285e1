import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';

import { drinkQuery, larderQuery, type Spec, specCloudQuery, useRemoveSpec } from '@/api';
import { asSentence } from '@/lib';
import { useSettings } from '@/hooks';
import { Button, LoadingOrError, PageHeader } from '@/ui';
import { type NameOf, namesIn, pourWords } from '@/spec';
import { OpenOnBenchNotice, useOpenOnBench } from '@/features/open-on-bench';
import { AddSpec } from './AddSpec';
import { SpecCloudField } from './SpecCloudField';
import { CollectedSpec } from './CollectedSpec';

/** Many specs of one drink, from books and colleagues: a cloud with its middle and its outliers, and a start from any. */
export function SpecsPage() {
  const id = Number(useParams().drinkId);
  const { supposed } = useSettings();
  const drink = useQuery(drinkQuery(id));
  const larder = useQuery(larderQuery());
  const cloud = useQuery(specCloudQuery(id, supposed));
  const laying = useOpenOnBench(id);
  const drop = useRemoveSpec();
  const [over, setOver] = useState<number | null>(null);
  if (!drink.data || !cloud.data || !larder.data) {
    return <LoadingOrError error={drink.error ?? cloud.error ?? larder.error} />;
  }
  const { points, broken, middle } = cloud.data;
  const nameOf = namesIn(larder.data);
  const last = drink.data.trials.at(-1);
  const start = (spec: Spec) => last && laying.lay({ spec, parent: last.id });
  const takeOut = (spec_id: number) => drop.mutate({ params: { path: { drink_id: id, spec_id }, query: supposed } });
  return (
    <div className="page-body">
      <PageHeader
        actions={
          <Link className="btn btn-ghost min-h-11 border-base-300 text-base" to={`/trials/${id}`}>
            Back to its trials
          </Link>
        }
      >
        <div className="min-w-0">
          <h1 className="truncate font-display text-2xl leading-tight font-semibold">{drink.data.name}</h1>
          <p className="text-base text-quiet">in other bars</p>
        </div>
      </PageHeader>
      <OpenOnBenchNotice laying={laying} />
      <main className="grid min-w-0 items-start gap-3 lg:grid-cols-[minmax(0,1fr)_440px]">
        <section aria-label="Other bars’ specs" className="panel p-3 sm:p-4">
          <p className="mb-2 text-xl leading-snug font-semibold">{cloud.data.sentence}</p>
          {points.length > 0 && <SpecCloudField cloud={cloud.data} over={over} onOver={setOver} />}
          {middle && <MedianSpec middle={middle} nameOf={nameOf} onStart={() => start(middle)} />}
        </section>
        <div className="flex flex-col gap-3">
          <ul className="flex flex-col gap-2" aria-label="Specs">
            {points.map((point) => (
              <CollectedSpec
                key={point.id}
                point={point}
                over={over === point.id}
                nameOf={nameOf}
                onOver={(on) => setOver(on ? point.id : null)}
                onStart={() => start(point.spec)}
                onTakeOut={() => takeOut(point.id)}
              />
            ))}
            {broken.map((item) => (
              <UnreadableSpec key={item.id} {...item} onTakeOut={() => takeOut(item.id)} />
            ))}
          </ul>
          <AddSpec drinkId={id} lying={drink.data.draft?.spec ?? last?.spec} refused={drop.error?.detail} />
        </div>
      </main>
    </div>
  );
}

/** A spec that can't be shown any more can still be taken out. */
function UnreadableSpec({ name, why, onTakeOut }: { name: string; why: string; onTakeOut: () => void }) {
  return (
    <li className="panel flex flex-wrap items-center gap-x-3 p-3">
      <span className="grow">
        <strong className="text-lg font-semibold">{name}</strong> <span className="text-quiet">{asSentence(why)}</span>
      </span>
      <Button look="ghost" className="font-normal" aria-label={`Delete ${name}`} onClick={onTakeOut}>
        Delete
      </Button>
    </li>
  );
}

function MedianSpec({ middle, nameOf, onStart }: { middle: Spec; nameOf: NameOf; onStart: () => void }) {
  const { shown } = useSettings();
  return (
    <div className="mt-3 border-t border-base-300 pt-3">
      <h2 className="text-xl font-semibold">The average, on jigger marks</h2>
      <p className="text-lg">
        {middle.pours.map((pour) => pourWords(pour, shown, middle.ounce_ml, nameOf)).join(' · ')}
      </p>
      <Button look="primary" className="mt-2" onClick={onStart}>
        Start from the average
      </Button>
    </div>
  );
}
