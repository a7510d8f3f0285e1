import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';

import { adjustBrixQuery, currencyQuery, type Fault, type PreparationAnswer, useSetGoodsPrice } from '@/api';
import { plainNumber, priceText } from '@/lib';
import { AxisMark, Disclosure, ErrorMessage, NumberField } from '@/ui';
import { useLastDefined } from '@/hooks';

interface Props {
  answer: PreparationAnswer | undefined;
  fault: Fault | null;
}

/** What it comes to: sweetness and acid with how sure, yield, how it keeps, what it costs, what to mind, and why. */
export function OutcomePanel({ answer, fault }: Props) {
  const last = useLastDefined(answer);
  const { data: currency } = useQuery(currencyQuery());
  if (fault) return <ErrorMessage fault={fault} className="panel p-4 text-lg text-error" />;
  if (!last) {
    return (
      <p className="panel p-4 text-lg text-quiet">
        Give it a name and add ingredients. The result appears here, in grams.
      </p>
    );
  }
  const { totals, cost } = last;
  return (
    <section aria-label="Result" className="panel flex flex-col gap-3 p-4 text-lg">
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
        {last.brix >= 0.5 && (
          <span className="text-3xl font-semibold">
            {plainNumber(last.brix, 1)} °Bx{' '}
            <span className="text-base font-normal text-quiet">± {plainNumber(1.28 * last.brix_sd, 1)}</span>
          </span>
        )}
        <span className="text-2xl font-semibold">{plainNumber(last.yield_ml, 0)} ml</span>
        <span className="text-quiet">
          {plainNumber(last.yield_g, 0)} g, {last.density.toFixed(3)} g/ml
        </span>
      </div>
      <dl className="grid gap-x-6 gap-y-1 sm:grid-cols-2">
        {totals.map(({ name, value, half_width, kinds }) => (
          <div key={name} className="flex flex-wrap items-baseline gap-x-2">
            <dt className="flex items-center gap-1.5 text-base text-quiet">
              {name in MARKS && <AxisMark axis={MARKS[name as keyof typeof MARKS]} />} {name}
            </dt>
            <dd className="font-semibold">
              {plainNumber(value, value < 10 ? 2 : 1)} {name === 'alcohol' ? '% ABV' : 'g/100 ml'}
              {half_width > 0 && (
                <span className="text-base font-normal text-quiet">
                  {' '}
                  ± {plainNumber(half_width, value < 10 ? 2 : 1)}
                </span>
              )}
            </dd>
            {kinds && <dd className="basis-full text-base text-quiet">{kinds}</dd>}
          </div>
        ))}
      </dl>
      {last.by_cup && <p className="rounded-xl bg-secondary px-3 py-2">{last.by_cup}</p>}
      <p>
        Keeps about {last.keeps_days} {last.keeps_days === 1 ? 'day' : 'days'}, cold.
        {cost.total > 0 && (
          <>
            {' '}
            Costs {cost.missing.length > 0 && 'at least '}
            {priceText(cost.total, currency?.sign)}
            {cost.per_litre !== null && `, ${priceText(cost.per_litre, currency?.sign)} per litre`}.
          </>
        )}{' '}
        {cost.words && <span className="text-base text-quiet">{cost.words}</span>}
      </p>
      {last.cautions.length > 0 && (
        <ul className="flex list-disc flex-col gap-0.5 pl-5 text-base">
          {last.cautions.map((caution) => (
            <li key={caution}>{caution}</li>
          ))}
        </ul>
      )}
      {last.brix >= 0.5 && <BringTo weight={last.yield_g} brix={last.brix} />}
      <CostTable parts={cost.parts} sign={currency?.sign ?? ''} />
      <Disclosure title="Why these figures?">
        <ul className="flex flex-col gap-1 text-base">
          {last.why.map((text) => (
            <li key={text}>{text}</li>
          ))}
        </ul>
      </Disclosure>
    </section>
  );
}

/** "Bring it to 50 °Bx: 63 g of sugar." */
function BringTo({ weight, brix }: { weight: number; brix: number }) {
  const [wanted, setWanted] = useState<number | null>(null);
  const query = useQuery(adjustBrixQuery(weight, brix, wanted));
  return (
    <div className="flex flex-wrap items-center gap-2 text-base">
      <label className="flex items-center gap-2">
        Bring it to
        <NumberField
          aria-label="Target, °Bx"
          className="input min-h-11 w-20 font-figure"
          least={1}
          most={80}
          placeholder="°Bx"
          value={wanted}
          onFigure={setWanted}
        />
        °Bx
      </label>
      <span role="status" className="font-semibold">
        {wanted !== null && query.data?.words}
      </span>
      <ErrorMessage fault={query.error} className="text-error" />
    </div>
  );
}

/** What each part costs; the price of what is weighed is told here, that of a bottle on its own page. */
function CostTable({ parts, sign }: { parts: PreparationAnswer['cost']['parts']; sign: string }) {
  const put = useSetGoodsPrice();
  return (
    <Disclosure title="Prices">
      <ul className="flex flex-col gap-1 text-base">
        {parts.map(({ name, slug, per, price, cost }) => (
          <li key={`${slug} ${name}`} className="flex flex-wrap items-center gap-2">
            <span className="grow">{name}</span>
            {per === 'kg' ? (
              <label className="flex items-center gap-2 text-quiet">
                per kilogram
                <NumberField
                  aria-label={`Price per kilogram of ${name}`}
                  className="input min-h-11 w-24 font-figure text-base-content"
                  most={100000}
                  value={price}
                  onFigure={(told) => put.mutate({ params: { path: { slug } }, body: { price_per_kg: told } })}
                />
              </label>
            ) : (
              <Link className="underline" to={`/ingredients/all/${slug}`}>
                {price === null ? 'no price yet' : `${priceText(price, sign)} per litre`}
              </Link>
            )}
            <span className="w-16 text-right font-semibold">{cost === null ? '—' : priceText(cost, sign)}</span>
          </li>
        ))}
      </ul>
      <ErrorMessage fault={put.error} className="text-error" />
    </Disclosure>
  );
}

const MARKS = { sugar: 'sugar', acid: 'acid', alcohol: 'abv' } as const;
