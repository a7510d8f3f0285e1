import { useQuery } from '@tanstack/react-query';
import { ArrowLeft, Undo2 } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';

import { larderDetailQuery, useRetireIngredient, useSetPar, useSetStock } from '@/api';
import type { LarderDetail, LarderLine } from '@/api';
import { capital, plainNumber } from '@/lib';
import { Button, Disclosure, ErrorMessage, FormField, IconButton, LoadingOrError, NumberField, Select } from '@/ui';
import { useLastDefined } from '@/hooks';
import { LogLot } from '@/features/lots';
import { TasteIngredient } from '@/features/stock';
import { CompareIngredients } from './CompareIngredients';
import { OwnValues } from './OwnValues';
import { ValueTable } from './ValueTable';

interface Props {
  slug: string;
  lines: LarderLine[];
}

/** One ingredient: what is in it with each source, what the house sets right, how it stands, where it is poured. */
export function IngredientPanel({ slug, lines }: Props) {
  const query = useQuery(larderDetailQuery(slug));
  const detail = useLastDefined(query.data);
  const [noting, setNoting] = useState(false);
  const [tasting, setTasting] = useState(false);
  if (!detail) return <LoadingOrError error={query.error} />;
  const { ingredient, line, used_in } = detail;
  return (
    <section aria-label={ingredient.name} className="flex min-w-0 flex-col gap-3">
      <Link to="/ingredients" className="btn btn-ghost min-h-11 gap-1 self-start px-2 text-base lg:hidden">
        <ArrowLeft size={18} aria-hidden /> All ingredients
      </Link>
      <div className="panel flex flex-col gap-2 p-4">
        <div className="flex flex-wrap items-start gap-2">
          <h2 className="grow font-display text-2xl font-semibold">{ingredient.name}</h2>
          <RetireIngredient detail={detail} />
          <Button look="outline" onClick={() => setTasting(true)}>
            Taste it
          </Button>
          <Button onClick={() => setNoting(true)}>Log a bottle</Button>
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
        <ValueTable detail={detail} />
        <OwnValues detail={detail} />
      </div>
      <StockStatus detail={detail} />
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
        <Disclosure title="Compare">
          <CompareIngredients detail={detail} lines={lines} />
        </Disclosure>
      </div>
      {tasting && <TasteIngredient ingredient={ingredient} onClose={() => setTasting(false)} />}
      {noting && <LogLot slug={slug} onClose={() => setNoting(false)} />}
    </section>
  );
}

function RetireIngredient({ detail }: { detail: LarderDetail }) {
  const retire = useRetireIngredient();
  const { slug, retired } = detail.line;
  return (
    <>
      <Button
        look="outline"
        title={retired ? undefined : 'Hidden from swaps. Trials keep it'}
        onClick={() => retire.mutate({ params: { path: { slug } }, body: { retired: !retired } })}
      >
        {retired ? 'Show it again' : 'Hide it'}
      </Button>
      <ErrorMessage fault={retire.error} className="basis-full text-error" />
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
function StockStatus({ detail }: { detail: LarderDetail }) {
  const { slug, state, price_per_litre, par_ml } = detail.line;
  const params = { path: { slug } };
  const shelve = useSetStock();
  const par = useSetPar();
  return (
    <div className="panel grid gap-3 p-4 text-lg sm:grid-cols-3">
      <FormField quiet label="Stock">
        <Select
          className="select-lg w-full"
          value={state === '' ? 'off' : (state as 'at hand')}
          options={STATES}
          onPick={(next) => shelve.mutate({ params, body: { state: next, price_per_litre } })}
        />
      </FormField>
      <FormField quiet label="Price per litre">
        <NumberField
          value={price_per_litre}
          most={10000}
          onFigure={(price) =>
            shelve.mutate({
              params,
              body: { state: state === '' ? 'at hand' : (state as 'at hand'), price_per_litre: price },
            })
          }
        />
      </FormField>
      <FormField quiet label="Par, ml">
        <NumberField
          value={par_ml === null ? null : Number(plainNumber(par_ml, 0))}
          least={1}
          most={1000000}
          unit="ml"
          onFigure={(ml) => par.mutate({ params, body: { par_ml: ml } })}
        />
      </FormField>
      <ErrorMessage fault={shelve.error ?? par.error} className="text-error sm:col-span-3" />
    </div>
  );
}

/** A button that takes the last change back. */
export function UndoButton({ onUndo }: { onUndo: () => void }) {
  return <IconButton icon={Undo2} label="Undo the last change" onClick={onUndo} />;
}
