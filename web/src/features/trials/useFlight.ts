import { useState } from 'react';

import type { SheetEntry, TrialEntry } from '@/api';
import { readPersisted, usePersisted } from '@/hooks';
import { flightIn, pourFlight, type Flight } from './flight';

const keyOf = (drinkId: number) => `oenomel.flight.${drinkId}`;

/** The tasting of a drink that is under way; null where none is. */
export const readFlight = (drinkId: number) => readPersisted(keyOf(drinkId), flightIn);

/** The tasting of a drink that is under way, glass by glass; it outlasts the window. */
export function useFlight(drinkId: number) {
  const [flight, setFlight] = usePersisted<Flight | null>(keyOf(drinkId), null, flightIn);
  const [at, setAt] = useState(() => Math.max(0, flight?.glasses.findIndex(({ done }) => !done) ?? 0));
  const glass = flight?.glasses[at];

  const end = () => {
    setFlight(null);
    setAt(0);
  };
  const start = (trials: TrialEntry[], tasters: string[], blind: boolean) => {
    setAt(0);
    setFlight(pourFlight(trials, tasters, blind, Math.random));
  };
  const hideKey = () => setFlight(flight && { ...flight, poured: true });
  const say = (change: Partial<SheetEntry>) => {
    if (!flight || !glass) return;
    setFlight({ ...flight, glasses: flight.glasses.with(at, { ...glass, sheet: { ...glass.sheet, ...change } }) });
  };
  /** On to the next glass that wasn’t scored yet; the sheets, once all are. */
  const finish = (): SheetEntry[] | null => {
    if (!flight || !glass) return null;
    const glasses = flight.glasses.with(at, { ...glass, done: true });
    setFlight({ ...flight, glasses });
    const next = glasses.findIndex(({ done }) => !done);
    if (next < 0) return glasses.map(({ sheet }) => sheet);
    setAt(next);
    globalThis.scrollTo({ top: 0 });
    return null;
  };
  return { flight, glass, at, start, hideKey, say, finish, back: () => setAt(at - 1), end };
}

export type FlightUnderWay = ReturnType<typeof useFlight>;
