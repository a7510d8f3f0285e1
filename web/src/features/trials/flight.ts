import type { SheetEntry, TrialEntry } from '@/api';
import { hasKeys } from '@/lib';

/** One glass before one taster: which trial it holds, and what was said of it so far. */
export interface FlightGlass {
  /** What the taster calls it while it is blind: A, B, C. */
  letter: string;
  trialId: number;
  sheet: SheetEntry;
  done: boolean;
}

/** A tasting under way: the glasses in the order in which they are tasted. It outlasts the window. */
export interface Flight {
  blind: boolean;
  /** Whether the pourer has poured, and the key is hidden. */
  poured: boolean;
  glasses: FlightGlass[];
}

/** A flight of these trials for these tasters: all glasses of one taster, then the next's, each in his own order when blind. */
export function pourFlight(trials: TrialEntry[], tasters: string[], blind: boolean, random: () => number): Flight {
  const glasses = tasters.flatMap((taster) => {
    const order = blind ? shuffled(trials, random) : trials;
    return order.map((trial, index) => ({
      letter: String.fromCharCode(65 + index),
      trialId: trial.id,
      done: false,
      sheet: { ...EMPTY, trial_id: trial.id, taster, blind },
    }));
  });
  return { blind, poured: !blind, glasses };
}

const EMPTY = {
  loud: '',
  lacking: false,
  edge: '',
  words: { look: '', nose: '', first: '', middle: '', finish: '' },
} as const;

const isGlass = (kept: unknown) =>
  hasKeys(kept, { letter: 'string', trialId: 'number', done: 'boolean', sheet: 'object' }) &&
  hasKeys((kept as FlightGlass).sheet, { trial_id: 'number', taster: 'string', words: 'object' });

/** The flight that stands in the browser; null where it is none. */
export function flightIn(kept: unknown): Flight | null {
  if (!hasKeys(kept, { blind: 'boolean', poured: 'boolean', glasses: 'object' })) return null;
  const { glasses } = kept as Flight;
  return Array.isArray(glasses) && glasses.every(isGlass) ? (kept as Flight) : null;
}

function shuffled<T>(of: T[], random: () => number): T[] {
  const left = [...of];
  const drawn: T[] = [];
  while (left.length > 0) drawn.push(...left.splice(Math.floor(random() * left.length), 1));
  return drawn;
}

/** Whether anything was said on a sheet yet. */
export function said({ sugar, acid, abv, body, score, loud, lacking, words }: SheetEntry): boolean {
  return (
    [sugar, acid, abv, body, score].some((value) => value != null) ||
    Boolean(loud) ||
    lacking ||
    Object.values(words).some(Boolean)
  );
}
