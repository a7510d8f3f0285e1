import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import type { Original, Wish } from '../../api/client';
import { menuQuery } from '../../api/queries/originals';
import { useAim, useSettings, useWithVolumes } from '../../lib/settings';
import { TopBar } from '../../shell/TopBar';
import { Check } from '../../ui/Check';
import { Refused } from '../../ui/Refused';
import { useTitle } from '../../ui/useTitle';
import { MenuPlace } from './MenuPlace';
import { ANY } from './wish';

/** The places of a list: two sours, a daisy, a fizz, a long one, one without alcohol. */
const PLACES: [string, Partial<Wish>][] = [
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
  useTitle('A menu');
  const { supposed } = useSettings();
  const inUnit = useWithVolumes();
  const aim = useAim();
  const [request, setRequest] = useState(FIRST);
  const { stays, gone, seed, atHand } = request;
  const places = PLACES.map(([, wish]): Wish => ({
    ...ANY,
    ...wish,
    at_hand: atHand,
    seed,
    taken_names: gone,
    grid: aim.grid,
  }));
  const kept = stays.flatMap((each, place) => (each ? [{ place, spec: each.spec }] : []));
  const { data, error, isFetching, isPlaceholderData } = useQuery(menuQuery({ places, kept }, supposed));
  const fresh = isPlaceholderData ? [] : [...(data?.drinks ?? [])];
  const drinks = stays.map((each) => each ?? fresh.shift() ?? null);
  const others = (change: Partial<Request>) => setRequest({ ...request, seed: seed + PLACES.length, ...change });
  return (
    <div className="page-body">
      <TopBar />
      <main className="flex min-w-0 flex-col gap-3">
        <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
          <p className="text-lg">Six drinks for a menu</p>
          <Check
            words="Only what is in stock"
            on={atHand}
            onChange={(on) => others({ stays: FIRST.stays, atHand: on })}
          />
          <button
            type="button"
            className="btn btn-primary min-h-11 text-base"
            disabled={isFetching}
            onClick={() => others({ stays: FIRST.stays })}
          >
            Other drinks
          </button>
          <p role="status" className="text-base text-quiet">
            {isFetching ? 'Filling the menu…' : ''}
          </p>
        </div>
        <Refused fault={error} className="panel p-4 text-lg" />
        <ul aria-label="Menu" className="grid gap-3 md:grid-cols-2 xl:grid-cols-3">
          {drinks.map((drink, place) => (
            <MenuPlace
              key={PLACES[place]?.[0]}
              title={PLACES[place]?.[0] ?? ''}
              drink={drink}
              busy={isFetching}
              onOther={() =>
                others({
                  stays: drinks.map((each, other) => (other === place ? null : each)),
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
