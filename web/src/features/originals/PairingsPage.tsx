import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { type Pairing, type Pairings, pairingsQuery, useResetPairing, useSetPairing } from '@/api';
import { capital } from '@/lib';
import { Button, ErrorMessage, LoadingOrError, PageHeader } from '@/ui';
import { useDocumentTitle } from '@/hooks';

const TENTHS = [0, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1];

/** The table of kinship: what ships, what the house set, what tastings taught. */
export function PairingsPage() {
  useDocumentTitle('Aroma pairings');
  const { data, error } = useQuery(pairingsQuery());
  const [chosen, setChosen] = useState<[string, string]>(['citrus', 'herbal']);
  if (!data) return <LoadingOrError error={error} />;
  const pair = pairOf(data, ...chosen);
  return (
    <div className="page-body">
      <PageHeader />
      <main className="grid min-w-0 gap-3 lg:grid-cols-[minmax(0,1fr)_22rem]">
        <div className="flex min-w-0 flex-col gap-2">
          <p className="max-w-prose text-lg">
            How well two groups of aromas pair, 0 to 10, by the habits of the trade. New ideas use it, and you can
            change it.
          </p>
          <Matrix data={data} chosen={pair} onChoose={setChosen} />
        </div>
        {pair && <PairDetails pair={pair} data={data} />}
      </main>
    </div>
  );
}

/** A pair, in whichever order it is asked for. */
function pairOf({ pairs }: Pairings, one: string, other: string): Pairing | undefined {
  return pairs.find((pair) => (pair.one === one && pair.other === other) || (pair.one === other && pair.other === one));
}

interface MatrixProps {
  data: Pairings;
  chosen: Pairing | undefined;
  onChoose: (pair: [string, string]) => void;
}

/** Every pair once, below the diagonal. */
function Matrix({ data, chosen, onChoose }: MatrixProps) {
  return (
    <div className="panel overflow-x-auto p-2">
      <table className="border-separate border-spacing-0.5 text-base">
        <thead>
          <tr>
            <td />
            {data.groups.map((group) => (
              <th key={group} scope="col" className="h-20 align-bottom font-normal">
                <span className="inline-block rotate-180 [writing-mode:vertical-rl]">{group}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {data.groups.map((one, row) => (
            <tr key={one}>
              <th scope="row" className="pr-2 text-right font-normal">
                {one}
              </th>
              {data.groups.slice(0, row + 1).map((other) => {
                const pair = pairOf(data, one, other);
                return (
                  <td key={other} className="p-0">
                    {pair && <Cell pair={pair} chosen={pair === chosen} onChoose={() => onChoose([one, other])} />}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** What stands behind a pair, and what the house thinks of it. */
function PairDetails({ pair, data }: { pair: Pairing; data: Pairings }) {
  const set = useSetPairing();
  const reset = useResetPairing();
  const told = pair.own ?? pair.shipped;
  return (
    <section className="panel flex flex-col gap-3 self-start p-4 lg:sticky lg:top-3" aria-label="Pairing">
      <h2 className="font-display text-2xl font-semibold">
        {capital(pair.one)} {pair.one === pair.other ? 'with itself' : `with ${pair.other}`}
      </h2>
      <p className="text-lg">{whyWords(pair, data.sheets)}</p>
      <div className="flex flex-wrap gap-1" role="group" aria-label="Your own score">
        {TENTHS.map((value) => {
          const on = Math.abs(told - value) < 0.01;
          return (
            <button
              key={value}
              type="button"
              aria-pressed={on}
              className={`btn btn-square min-h-11 min-w-11 font-figure ${on ? 'btn-primary' : 'btn-ghost border-base-300'}`}
              onClick={() => set.mutate({ body: { one: pair.one, other: pair.other, value } })}
            >
              {Math.round(value * 10)}
            </button>
          );
        })}
      </div>
      <div className="flex flex-wrap gap-2">
        <Button
          disabled={pair.own === null || reset.isPending}
          onClick={() => reset.mutate({ params: { query: { one: pair.one, other: pair.other } } })}
        >
          Reset this pairing
        </Button>
        <Button
          look="outline"
          disabled={data.pairs.every(({ own }) => own === null) || reset.isPending}
          onClick={() => reset.mutate({ params: { query: {} } })}
        >
          Reset all
        </Button>
      </div>
      <ErrorMessage fault={set.error ?? reset.error} />
    </section>
  );
}

function Cell({ pair, chosen, onChoose }: { pair: Pairing; chosen: boolean; onChoose: () => void }) {
  const own = pair.own !== null || pair.learnt !== null;
  return (
    <button
      type="button"
      aria-pressed={chosen}
      aria-label={`${pair.one} with ${pair.other}: ${(10 * pair.value).toFixed(0)} of 10${own ? ', changed here' : ''}`}
      className={`relative flex h-8 w-10 cursor-pointer items-center justify-center rounded-lg font-figure ${chosen ? 'outline-3 outline-accent' : ''}`}
      style={{
        backgroundColor: `color-mix(in oklab, var(--color-accent) ${Math.round(pair.value * 30)}%, var(--color-base-100))`,
      }}
      onClick={onChoose}
    >
      {(10 * pair.value).toFixed(0)}
      {own && (
        <span aria-hidden className="absolute top-0.5 right-1 text-accent">
          •
        </span>
      )}
    </button>
  );
}

function whyWords({ shipped, own, learnt, value }: Pairing, sheets: number): string {
  const ships = `Standard: ${(10 * shipped).toFixed(0)} of 10`;
  const house = own === null ? '' : `, yours: ${(10 * own).toFixed(0)}`;
  const taught =
    learnt === null
      ? `. ${sheets === 0 ? 'No idea has been tasted and scored yet' : 'None of the scored ideas has this pairing'}.`
      : `. Ideas with it scored ${Math.exp(learnt).toFixed(2)} times as well in ${sheets} ${sheets === 1 ? 'tasting note' : 'tasting notes'}. Score now: ${(10 * value).toFixed(1)}.`;
  return `${ships}${house}${taught}`;
}
