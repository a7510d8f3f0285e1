import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';

import { api, type KeptBatch } from '../../api/client';
import { keptBatchQuery } from '../../api/queries/service';
import { AXIS_UNITS, day, level, plain, withUnit, type AxisName } from '../../lib/format';
import { useWithVolumes } from '../../lib/settings';
import { TopBar } from '../../shell/TopBar';
import { Waiting } from '../../shell/Waiting';
import { AxisMark } from '../../ui/AxisMark';
import { Figure } from '../../ui/Field';
import { Fold } from '../../ui/Fold';
import { Overtaken } from '../../ui/Overtaken';
import { Refused } from '../../ui/Refused';
import { useTitle } from '../../ui/useTitle';
import { Bottle } from './Bottle';
import { Correct } from './Correct';
import { Descent } from './Descent';
import { serviceName } from './services';

/** A bottle that was mixed: what is left of it, tasted and corrected, poured from, whose share is in it, what happened to it. */
export function KeptBatchPage() {
  const id = Number(useParams().batchId);
  const { data, error } = useQuery(keptBatchQuery(id));
  useTitle(data?.name);
  if (!data) return <Waiting error={error} />;
  return (
    <div className="page-body">
      <TopBar
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
            , {serviceName(data.service).toLowerCase()}; made {day(data.made_at)}
            {data.made_by && ` by ${data.made_by}`}
          </span>
        </h1>
      </TopBar>
      <main className="grid items-start gap-3 lg:grid-cols-[320px_minmax(0,1fr)_340px]">
        <Left batch={data} />
        <Correct batch={data} />
        <div className="flex flex-col gap-3">
          <Descent batch={data} />
          <Log batch={data} />
        </div>
      </main>
    </div>
  );
}

const AXES: AxisName[] = ['sugar', 'acid', 'abv'];

/** What is left, and pouring from it. */
function Left({ batch }: { batch: KeptBatch }) {
  const inUnit = useWithVolumes();
  const { id, left_ml, volume_ml, serves_left, serve_ml, use_by, past, used_up_at, label, note } = batch;
  const path = { batch_id: id };
  const serve = api.useMutation('post', '/api/batches/{batch_id}/served');
  const pour = (serves: number) => serve.mutate({ params: { path }, body: { serves } });
  return (
    <section aria-label="Amount left" className="panel flex flex-col gap-3 p-4">
      <div className="flex gap-4">
        <Bottle
          className="w-20 shrink-0"
          container={volume_ml / 0.9}
          bands={[{ key: 'left', ml: left_ml, brings: 'other' }]}
          label={inUnit(`${plain(left_ml, 0)} of ${plain(volume_ml, 0)} ml left`)}
        />
        <div className="flex flex-col leading-tight">
          <p role="status" className="text-4xl font-semibold">
            {serves_left} <span className="text-xl font-normal">{serves_left === 1 ? 'serve' : 'serves'}</span>
          </p>
          <p className="text-lg text-quiet">{inUnit(`${plain(left_ml, 0)} of ${plain(volume_ml, 0)} ml`)}</p>
          <p className={`pt-2 text-lg ${past ? 'font-semibold text-warning' : ''}`}>
            {past && 'Past its day: '}Use by {day(use_by)}
          </p>
          <ul className="pt-2 text-base">
            {AXES.filter((axis) => batch[axis] > 0.02).map((axis) => (
              <li key={axis} className="flex items-center gap-1.5">
                <AxisMark axis={axis} /> {withUnit(level(batch[axis], axis), AXIS_UNITS[axis])}
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
        <p className="text-lg">Finished {day(used_up_at)}.</p>
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
      <Refused fault={serve.error} className="text-error" />
      <SetRight batch={batch} />
      {note && <p className="text-base text-quiet">{note}</p>}
    </section>
  );
}

function SetRight({ batch: { id, left_ml, volume_ml, used_up_at } }: { batch: KeptBatch }) {
  const path = { batch_id: id };
  const cache = useQueryClient();
  const change = api.useMutation('patch', '/api/batches/{batch_id}');
  return (
    <Fold title="Correct the amount left">
      <div className="flex items-center gap-2 pt-1 text-base">
        <Figure
          aria-label="Left, ml"
          className="input min-h-11 w-28 font-figure"
          value={Math.round(left_ml)}
          most={volume_ml}
          onFigure={(told) =>
            told !== null && change.mutate({ params: { path }, body: { left_ml: told, was: { left_ml } } })
          }
        />
        ml left
        <button
          type="button"
          className="btn min-h-11 text-base font-normal"
          onClick={() => change.mutate({ params: { path }, body: { used_up: !used_up_at } })}
        >
          {used_up_at ? 'Not finished after all' : 'Finished'}
        </button>
      </div>
      <Overtaken
        fault={change.error}
        onTheirs={() => {
          change.reset();
          void cache.invalidateQueries();
        }}
        onMine={() =>
          change.variables && change.mutate({ params: { path }, body: { ...change.variables.body, was: null } })
        }
      />
    </Fold>
  );
}

function Log({ batch }: { batch: KeptBatch }) {
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
      <Fold title="Contents" count={poured.length}>
        <ul className="text-base">
          {poured.map(({ name, ml, lot }, index) => (
            <li key={`${name} ${index}`} className="flex gap-2 border-b border-base-300 py-1 last:border-0">
              <span className="grow">
                {name} {lot && <span className="text-quiet">{lot}</span>}
              </span>
              <span className="font-figure">{inUnit(`${plain(ml, 1)} ml`)}</span>
            </li>
          ))}
        </ul>
      </Fold>
    </section>
  );
}
