import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';

import { type SavedBatch, savedBatchQuery, useChangeBatch, useServeBatch } from '@/api';
import { AXES, AXIS_UNITS, dayText, levelText, plainNumber, withUnit } from '@/lib';
import { useDocumentTitle, useWithVolumes } from '@/hooks';
import {
  Button,
  AxisMark,
  Disclosure,
  ErrorMessage,
  LoadingOrError,
  NumberField,
  PageHeader,
  WriteConflict,
} from '@/ui';
import { BottleDrawing } from './BottleDrawing';
import { BatchCorrections } from './BatchCorrections';
import { SoleraShares } from './SoleraShares';
import { serviceName } from './serviceStyles';

/** A bottle that was mixed: what is left of it, tasted and corrected, poured from, whose share is in it, what happened to it. */
export function SavedBatchPage() {
  const id = Number(useParams().batchId);
  const { data, error } = useQuery(savedBatchQuery(id));
  useDocumentTitle(data?.name);
  if (!data) return <LoadingOrError error={error} />;
  return (
    <div className="page-body">
      <PageHeader
        actions={
          <>
            <Link to={`/service/batches/${id}/label`} className="btn btn-primary min-h-11 text-base">
              Label
            </Link>
            <Link to="/service/event-plan" className="btn min-h-11 text-base">
              Event plan
            </Link>
          </>
        }
      >
        <h1 className="font-display text-2xl leading-tight font-semibold">
          {data.name}
          <span className="block font-sans text-base font-normal text-quiet">
            <Link to={`/service/batch/${data.drink_id}`} className="underline">
              {data.drink}
            </Link>
            , {serviceName(data.service).toLowerCase()}; made {dayText(data.made_at)}
            {data.made_by && ` by ${data.made_by}`}
          </span>
        </h1>
      </PageHeader>
      <main className="grid items-start gap-3 lg:grid-cols-[320px_minmax(0,1fr)_340px]">
        <RemainingVolume batch={data} />
        <BatchCorrections batch={data} />
        <div className="flex flex-col gap-3">
          <SoleraShares batch={data} />
          <Log batch={data} />
        </div>
      </main>
    </div>
  );
}

/** What is left, and pouring from it. */
function RemainingVolume({ batch }: { batch: SavedBatch }) {
  const inUnit = useWithVolumes();
  const { id, left_ml, volume_ml, serves_left, serve_ml, use_by, past, used_up_at, label, note } = batch;
  const path = { batch_id: id };
  const serve = useServeBatch();
  const pour = (serves: number) => serve.mutate({ params: { path }, body: { serves } });
  return (
    <section aria-label="Amount left" className="panel flex flex-col gap-3 p-4">
      <div className="flex gap-4">
        <BottleDrawing
          className="w-20 shrink-0"
          container={volume_ml / 0.9}
          bands={[{ key: 'left', ml: left_ml, brings: 'other' }]}
          label={inUnit(`${plainNumber(left_ml, 0)} of ${plainNumber(volume_ml, 0)} ml left`)}
        />
        <div className="flex flex-col leading-tight">
          <p role="status" className="text-4xl font-semibold">
            {serves_left} <span className="text-xl font-normal">{serves_left === 1 ? 'serve' : 'serves'}</span>
          </p>
          <p className="text-lg text-quiet">
            {inUnit(`${plainNumber(left_ml, 0)} of ${plainNumber(volume_ml, 0)} ml`)}
          </p>
          <p className={`pt-2 text-lg ${past ? 'font-semibold text-warning' : ''}`}>
            {past && 'Past its day: '}Use by {dayText(use_by)}
          </p>
          <ul className="pt-2 text-base">
            {AXES.filter((axis) => batch[axis] > 0.02).map((axis) => (
              <li key={axis} className="flex items-center gap-1.5">
                <AxisMark axis={axis} /> {withUnit(levelText(batch[axis], axis), AXIS_UNITS[axis])}
              </li>
            ))}
          </ul>
        </div>
      </div>
      <p className="text-lg leading-snug">{inUnit(label.serve)}</p>
      {label.each.map((words) => (
        <p key={words} className="text-base leading-snug">
          {inUnit(words)}
        </p>
      ))}
      {used_up_at ? (
        <p className="text-lg">Finished {dayText(used_up_at)}.</p>
      ) : (
        <div role="group" aria-label="Pour" className="flex gap-1.5">
          {[1, 2, 5].map((serves) => (
            <button
              key={serves}
              type="button"
              className="btn min-h-12 min-w-0 grow px-2 text-lg"
              disabled={serves * serve_ml > left_ml + 0.001 || serve.isPending}
              onClick={() => pour(serves)}
            >
              Pour {serves}
            </button>
          ))}
        </div>
      )}
      <ErrorMessage fault={serve.error} className="text-error" />
      <SetRight batch={batch} />
      {note && <p className="text-base text-quiet">{note}</p>}
    </section>
  );
}

function SetRight({ batch: { id, left_ml, volume_ml, used_up_at } }: { batch: SavedBatch }) {
  const path = { batch_id: id };
  const cache = useQueryClient();
  const change = useChangeBatch();
  return (
    <Disclosure title="Correct the amount left">
      <div className="flex items-center gap-2 pt-1 text-base">
        <NumberField
          aria-label="Left, ml"
          className="input min-h-11 w-28 font-figure"
          value={Math.round(left_ml)}
          most={volume_ml}
          onFigure={(told) =>
            told !== null && change.mutate({ params: { path }, body: { left_ml: told, was: { left_ml } } })
          }
        />
        ml left
        <Button
          className="font-normal"
          onClick={() => change.mutate({ params: { path }, body: { used_up: !used_up_at } })}
        >
          {used_up_at ? 'Not finished after all' : 'Finished'}
        </Button>
      </div>
      <WriteConflict
        fault={change.error}
        onTheirs={() => {
          change.reset();
          void cache.invalidateQueries();
        }}
        onMine={() =>
          change.variables && change.mutate({ params: { path }, body: { ...change.variables.body, was: null } })
        }
      />
    </Disclosure>
  );
}

function Log({ batch }: { batch: SavedBatch }) {
  const inUnit = useWithVolumes();
  const { log, poured } = batch;
  return (
    <section aria-label="History" className="panel flex flex-col gap-2 p-4">
      <h2 className="font-display text-xl font-semibold">History</h2>
      <ol className="flex flex-col gap-1 text-base" reversed>
        {log.toReversed().map(({ at, words }) => (
          <li key={`${at} ${words}`} className="leading-snug">
            <span className="text-quiet">
              {new Date(at).toLocaleString('en-GB', {
                day: 'numeric',
                month: 'short',
                hour: '2-digit',
                minute: '2-digit',
              })}
            </span>{' '}
            {inUnit(words)}
          </li>
        ))}
      </ol>
      <Disclosure title="Contents" count={poured.length}>
        <ul className="text-base">
          {poured.map(({ name, ml, lot }, index) => (
            <li key={`${name} ${index}`} className="flex gap-2 border-b border-base-300 py-1 last:border-0">
              <span className="grow">
                {name} {lot && <span className="text-quiet">{lot}</span>}
              </span>
              <span className="font-figure">{inUnit(`${plainNumber(ml, 1)} ml`)}</span>
            </li>
          ))}
        </ul>
      </Disclosure>
    </section>
  );
}
