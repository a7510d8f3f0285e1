import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { type Criteria, menuQuery, type Original } from '@/api';
import { useDocumentTitle, useSettings, useSwapTarget, useWithVolumes } from '@/hooks';
import { Button, Checkbox, ErrorMessage, PageHeader } from '@/ui';
import { MenuDrink } from './MenuDrink';
import { ANYTHING } from './criteria';

/** The places of a list: two sours, a daisy, a fizz, a long one, one without alcohol. */
const PLACES: [string, Partial<Criteria>][] = [
  ['Sour', { family: 'sour' }],
  ['Sour, with foam', { family: 'sour', form: 'with foam' }],
  ['Daisy', { family: 'daisy' }],
  ['Fizz', { family: 'fizz', form: 'sparkling wine on top' }],
  ['Long', { family: 'fizz', form: 'long' }],
  ['Non-alcoholic', { family: 'fizz', form: 'without alcohol' }],
];

/** What was asked for: which drinks stay in their places, which names are gone, and the seed. */
interface Request {
  stays: (Original | null)[];
  gone: string[];
  seed: number;
  atHand: boolean;
}

const FIRST: Request = { stays: PLACES.map(() => null), gone: [], seed: 1, atHand: false };

/** A whole list out of one press: unlike each other in base, colour and strength, sharing preparations. */
export function MenuPage() {
  useDocumentTitle('A menu');
  const { supposed } = useSettings();
  const inUnit = useWithVolumes();
  const aim = useSwapTarget();
  const [request, setRequest] = useState(FIRST);
  const { stays, gone, seed, atHand } = request;
  const places = PLACES.map(([, wish]): Criteria => ({
    ...ANYTHING,
    ...wish,
    at_hand: atHand,
    seed,
    taken_names: gone,
    grid: aim.grid,
  }));
  const kept = stays.flatMap((stay, index) => (stay ? [{ place: index, spec: stay.spec }] : []));
  const { data, error, isFetching, isPlaceholderData } = useQuery(menuQuery({ places, kept }, supposed));
  const fresh = isPlaceholderData ? [] : [...(data?.drinks ?? [])];
  const drinks = stays.map((stay) => stay ?? fresh.shift() ?? null);
  const others = (change: Partial<Request>) => setRequest({ ...request, seed: seed + PLACES.length, ...change });
  return (
    <div className="page-body">
      <PageHeader />
      <main className="flex min-w-0 flex-col gap-3">
        <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
          <p className="text-lg">Six drinks for a menu</p>
          <Checkbox
            words="Only what is in stock"
            on={atHand}
            onChange={(on) => others({ stays: FIRST.stays, atHand: on })}
          />
          <Button look="primary" disabled={isFetching} onClick={() => others({ stays: FIRST.stays })}>
            Other drinks
          </Button>
          <p role="status" className="text-base text-quiet">
            {isFetching ? 'Filling the menu…' : ''}
          </p>
        </div>
        <ErrorMessage fault={error} className="panel p-4 text-lg" />
        <ul aria-label="Menu" className="grid gap-3 md:grid-cols-2 xl:grid-cols-3">
          {drinks.map((drink, place) => (
            <MenuDrink
              key={PLACES[place]?.[0]}
              title={PLACES[place]?.[0] ?? ''}
              drink={drink}
              busy={isFetching}
              onOther={() =>
                others({
                  stays: drinks.map((item, other) => (other === place ? null : item)),
                  gone: [...gone, ...(drink ? [drink.spec.name] : [])],
                })
              }
            />
          ))}
        </ul>
        {data?.notes.map((note) => (
          <p key={note} className="text-lg">
            {inUnit(note)}
          </p>
        ))}
      </main>
    </div>
  );
}
