import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Printer, TriangleAlert } from 'lucide-react';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';

import { type LotDetail, lotQuery, useChangeLot, useRemoveLot } from '@/api';
import { plainNumber } from '@/lib';
import { useDocumentTitle, useLastDefined, useSettings } from '@/hooks';
import { Button, LoadingOrError, NumberField, PageHeader, WriteConflict } from '@/ui';
import { LotFigures } from './LotFigures';
import { LotReadings } from './LotReadings';
import { CertaintyGain } from './CertaintyGain';

/** A lot: what was supposed and what was measured of it side by side, its readings, and what they make surer. */
export function LotPage() {
  const id = Number(useParams().lotId);
  const { supposed } = useSettings();
  const query = useQuery(lotQuery(id, supposed));
  const lot = useLastDefined(query.data);
  useDocumentTitle(lot ? `${lot.ingredient.name}, ${lot.name}` : 'Open bottle or juice');
  if (!lot || lot.id !== id) return <LoadingOrError error={query.error} />;
  return (
    <div className="page-body">
      <PageHeader
        actions={
          <Link to={`/ingredients/open/${id}/label`} className="btn min-h-11 gap-2 text-base">
            <Printer size={20} aria-hidden /> Label
          </Link>
        }
      />
      <main className="flex flex-col gap-4">
        <header>
          <h1 className="font-display text-3xl font-semibold">
            {lot.ingredient.name} <span className="font-sans text-xl font-normal">{lot.name}</span>
          </h1>
          <p className="text-lg text-quiet">
            {lot.cooked ? 'Cooked' : lot.pieces ? `Juiced from ${lot.pieces} fruits,` : 'Logged'} {lot.age}
            {lot.used_up_at ? ', finished' : lot.in_use ? ', in use today' : ', replaced by a newer one'}
            {lot.made_by && ` · made by ${lot.made_by}`}
          </p>
        </header>
        {lot.notes.map((note) => (
          <p key={note} role="alert" className="panel flex gap-2 border-warning p-3 text-lg">
            <TriangleAlert size={22} aria-hidden className="mt-0.5 shrink-0 text-warning" /> {note}
          </p>
        ))}
        <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,5fr)_minmax(0,4fr)]">
          <div className="flex flex-col gap-4">
            <LotFigures lot={lot} />
            <CertaintyGain lot={lot} />
            <LotStatus lot={lot} />
          </div>
          <LotReadings lot={lot} />
        </div>
      </main>
    </div>
  );
}

/** What is left of it, and its end. */
function LotStatus({ lot }: { lot: LotDetail }) {
  const navigate = useNavigate();
  const cache = useQueryClient();
  const params = { path: { lot_id: lot.id } };
  const change = useChangeLot();
  const remove = useRemoveLot();
  const [sure, setSure] = useState(false);
  return (
    <section aria-label="Amount left" className="panel flex flex-col gap-3 p-4">
      <div className="flex flex-wrap items-end gap-3 text-lg">
        <label className="flex flex-col gap-1">
          Left, ml
          <NumberField
            className="input input-lg w-32 font-figure"
            value={lot.left_ml === null ? null : Number(plainNumber(lot.left_ml, 0))}
            most={1000000}
            unit="ml"
            onFigure={(left) => change.mutate({ params, body: { left_ml: left, was: { left_ml: lot.left_ml } } })}
          />
        </label>
        {lot.volume_ml !== null && <span className="pb-3 text-quiet">of {plainNumber(lot.volume_ml, 0)} ml</span>}
        <Button
          large
          className="text-base font-normal"
          onClick={() => change.mutate({ params, body: { used_up: !lot.used_up_at } })}
        >
          {lot.used_up_at ? 'Not finished after all' : 'Finished'}
        </Button>
        <Button
          look="ghost"
          large
          className="text-base font-normal"
          onBlur={() => setSure(false)}
          onClick={() =>
            sure ? remove.mutate({ params }, { onSuccess: () => void navigate('/service') }) : setSure(true)
          }
        >
          {sure ? 'Press again to delete it and its readings' : 'Delete'}
        </Button>
      </div>
      <WriteConflict
        fault={change.error ?? remove.error}
        onTheirs={() => {
          change.reset();
          void cache.invalidateQueries();
        }}
        onMine={() => change.variables && change.mutate({ params, body: { ...change.variables.body, was: null } })}
        className="text-lg"
      />
    </section>
  );
}
