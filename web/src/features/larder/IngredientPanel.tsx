import { useQuery } from '@tanstack/react-query';
import { ArrowLeft, Undo2 } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';

import { api, type LarderDetail, type LarderLine } from '../../api/client';
import { larderDetailQuery } from '../../api/queries/house';
import { capital, plain } from '../../lib/format';
import { Waiting } from '../../shell/Waiting';
import { Field, Figure } from '../../ui/Field';
import { Fold } from '../../ui/Fold';
import { IconButton } from '../../ui/IconButton';
import { Pick } from '../../ui/Pick';
import { Refused } from '../../ui/Refused';
import { useKept } from '../../ui/useKept';
import { NoteLot } from '../lots';
import { TastePart } from '../shelf';
import { BesideOther } from './BesideOther';
import { SetRight } from './SetRight';
import { Values } from './Values';

interface Props {
  slug: string;
  lines: LarderLine[];
}

/** One ingredient: what is in it with each source, what the house sets right, how it stands, where it is poured. */
export function IngredientPanel({ slug, lines }: Props) {
  const asked = useQuery(larderDetailQuery(slug));
  const detail = useKept(asked.data);
  const [noting, setNoting] = useState(false);
  const [tasting, setTasting] = useState(false);
  if (!detail) return <Waiting error={asked.error} />;
  const { ingredient, line, used_in } = detail;
  return (
    <section aria-label={ingredient.name} className="flex min-w-0 flex-col gap-3">
      <Link to="/ingredients" className="btn btn-ghost min-h-11 gap-1 self-start px-2 text-base lg:hidden">
        <ArrowLeft size={18} aria-hidden /> All ingredients
      </Link>
      <div className="panel flex flex-col gap-2 p-4">
        <div className="flex flex-wrap items-start gap-2">
          <h2 className="grow font-display text-2xl font-semibold">{ingredient.name}</h2>
          <Retire detail={detail} />
          <button
            type="button"
            className="btn btn-ghost min-h-11 border-base-300 text-base font-normal"
            onClick={() => setTasting(true)}
          >
            Taste it
          </button>
          <button type="button" className="btn min-h-11 text-base" onClick={() => setNoting(true)}>
            Log a bottle
          </button>
        </div>
        <p className="text-lg">
          {capital(ingredient.kind)}
          {ingredient.impression && `: ${ingredient.impression}`}
        </p>
        {line.gaps.length > 0 && <p className="text-base text-warning">{capital(line.gaps.join(', '))}.</p>}
        {ingredient.allergens.length > 0 && <p>Contains {ingredient.allergens.join(', ')}.</p>}
        {Object.keys(ingredient.aroma).length > 0 && (
          <p className="text-base text-quiet">
            Aroma{' '}
            {Object.entries(ingredient.aroma)
              .sort(([, a], [, b]) => b - a)
              .map(([tag]) => tag.replace('-', ' '))
              .join(', ')}
            .
          </p>
        )}
        <Values detail={detail} />
        <SetRight detail={detail} />
      </div>
      <Stands detail={detail} />
      <div className="panel flex flex-col gap-2 p-4 text-lg">
        <h3 className="font-display text-xl font-semibold">Used in</h3>
        {used_in.length === 0 ? (
          <p className="text-quiet">No trial yet.</p>
        ) : (
          <p>
            {used_in.map(({ drink_id, drink }, at) => (
              <span key={drink_id}>
                {at > 0 && ', '}
                <Link className="underline" to={`/bench/${drink_id}`}>
                  {drink}
                </Link>
              </span>
            ))}
          </p>
        )}
        <Fold title="Compare">
          <BesideOther detail={detail} lines={lines} />
        </Fold>
      </div>
      {tasting && <TastePart ingredient={ingredient} onClose={() => setTasting(false)} />}
      {noting && <NoteLot slug={slug} onClose={() => setNoting(false)} />}
    </section>
  );
}

function Retire({ detail }: { detail: LarderDetail }) {
  const retire = api.useMutation('put', '/api/larder/{slug}/retired');
  const { slug, retired } = detail.line;
  return (
    <>
      <button
        type="button"
        className="btn btn-ghost min-h-11 border-base-300 text-base font-normal"
        title={retired ? undefined : 'Hidden from swaps. Trials keep it'}
        onClick={() => retire.mutate({ params: { path: { slug } }, body: { retired: !retired } })}
      >
        {retired ? 'Show it again' : 'Hide it'}
      </button>
      <Refused fault={retire.error} className="basis-full text-error" />
    </>
  );
}

const STATES: ['at hand' | 'low' | 'out' | 'off', string][] = [
  ['off', 'not in stock'],
  ['at hand', 'in stock'],
  ['low', 'low'],
  ['out', 'out'],
];

/** How it stands: the shelf, what a litre costs, how much should be there. */
function Stands({ detail }: { detail: LarderDetail }) {
  const { slug, state, price_per_litre, par_ml } = detail.line;
  const params = { path: { slug } };
  const shelve = api.useMutation('put', '/api/shelf/{slug}');
  const par = api.useMutation('put', '/api/ingredients/{slug}/par');
  return (
    <div className="panel grid gap-3 p-4 text-lg sm:grid-cols-3">
      <Field quiet label="Stock">
        <Pick
          className="select-lg w-full"
          value={state === '' ? 'off' : (state as 'at hand')}
          options={STATES}
          onPick={(next) => shelve.mutate({ params, body: { state: next, price_per_litre } })}
        />
      </Field>
      <Field quiet label="Price per litre">
        <Figure
          value={price_per_litre}
          most={10000}
          onFigure={(price) =>
            shelve.mutate({
              params,
              body: { state: state === '' ? 'at hand' : (state as 'at hand'), price_per_litre: price },
            })
          }
        />
      </Field>
      <Field quiet label="Par, ml">
        <Figure
          value={par_ml === null ? null : Number(plain(par_ml, 0))}
          least={1}
          most={1000000}
          unit="ml"
          onFigure={(ml) => par.mutate({ params, body: { par_ml: ml } })}
        />
      </Field>
      <Refused fault={shelve.error ?? par.error} className="text-error sm:col-span-3" />
    </div>
  );
}

/** A button that takes the last change back. */
export function UndoButton({ onUndo }: { onUndo: () => void }) {
  return <IconButton icon={Undo2} label="Undo the last change" onClick={onUndo} />;
}
