import { useDocumentTitle, useWithVolumes } from '@/hooks';
import { useQuery } from '@tanstack/react-query';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { Link, Navigate, useSearchParams } from 'react-router';

import { larderQuery, type Lot, lotsQuery } from '@/api';
import { plainNumber } from '@/lib';
import { Button, Checkbox, LoadingOrError, PageHeader } from '@/ui';
import { LogLot } from './LogLot';

/** Every lot that is open, and those that are used up where they are asked for. */
export function LotsPage() {
  const [every, setEvery] = useState(false);
  const [noting, setNoting] = useState(false);
  const { data, error } = useQuery(lotsQuery(every));
  useDocumentTitle('Open bottles and juice');
  const [params, setParams] = useSearchParams();
  const larder = useQuery(larderQuery()).data;
  const wanted = params.get('note');
  if (!data) return <LoadingOrError error={error} />;
  // Who comes to measure something finds today’s lot of it, or notes one.
  const poured = data.find(({ ingredient, in_use }) => in_use && ingredient.name === wanted);
  if (poured) return <Navigate replace to={`/ingredients/open/${poured.id}`} />;
  const slug = larder?.find(({ name }) => name === wanted)?.slug;
  return (
    <div className="page-body">
      <PageHeader
        actions={
          <Button look="primary" className="gap-2" onClick={() => setNoting(true)}>
            <Plus size={20} aria-hidden /> Log juice or a bottle
          </Button>
        }
      />
      <main className="flex flex-col gap-3">
        <div className="flex flex-wrap items-center gap-4">
          <Checkbox words="Show finished" on={every} onChange={setEvery} />
        </div>
        {data.length === 0 ? (
          <p className="panel max-w-prose p-4 text-lg">
            Log today’s juice, an open bottle or a batch. Drinks are then worked out with what is in it.
          </p>
        ) : (
          <ul className="panel divide-y divide-base-300 p-2">
            {data.map((lot) => (
              <LotRow key={lot.id} lot={lot} />
            ))}
          </ul>
        )}
      </main>
      {noting && <LogLot onClose={() => setNoting(false)} />}
      {slug && <LogLot slug={slug} onClose={() => setParams({}, { replace: true })} />}
    </div>
  );
}

function LotRow({ lot }: { lot: Lot }) {
  const inUnit = useWithVolumes();
  const told = [
    lot.age,
    lot.left_ml !== null && inUnit(`${plainNumber(lot.left_ml, 0)} ml left`),
    lot.readings.length > 0 && `${lot.readings.length} ${lot.readings.length === 1 ? 'reading' : 'readings'}`,
    lot.used_up_at ? 'finished' : lot.in_use ? 'in use' : 'replaced by a newer one',
  ];
  return (
    <li>
      <Link
        to={`/ingredients/open/${lot.id}`}
        className="flex flex-wrap items-baseline gap-x-3 rounded-xl px-2 py-2 hover:bg-secondary focus-visible:bg-secondary"
      >
        <span className="min-w-0 grow text-lg font-semibold wrap-anywhere">
          {lot.ingredient.name} <span className="font-normal">{lot.name}</span>
        </span>
        <span className={lot.past_its_day && !lot.used_up_at ? 'text-warning' : 'text-quiet'}>
          {told.filter(Boolean).join(', ')}
        </span>
      </Link>
    </li>
  );
}
