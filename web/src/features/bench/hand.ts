import { createContext, useContext } from 'react';

import type { Amount, Finding, PourEntry, Slot, Spec, Unit } from '../../api/client';

/** A point of the field that was chosen by hand. */
export interface Wish {
  sugar: number;
  acid: number;
}

/** What a hand can do with the drink on the bench. It stays the same for as long as the bench is there, so that nothing is drawn for it. */
export interface Hand {
  change: (of: (spec: Spec) => Spec, what: string) => void;
  undo: (times?: number) => void;
  redo: () => void;
  /** Reads a typed amount beside the drink as it lies there. */
  read: (typed: { text: string; unit: Unit; pour: number }) => Promise<Amount>;
  /** Opens the board of a pour. */
  choose: (pour: number) => void;
  /** Opens all else of a pour. */
  more: (pour: number) => void;
  /** Opens the larder for a new pour. */
  add: (slot?: Slot) => void;
  bring: (to: 'back' | Wish) => void;
  lock: (pour: number) => void;
  /** Looks at the drink without an optional pour, or puts it back. */
  out: (pour: number) => void;
  mend: (finding: Finding, mend: number) => void;
  size: () => void;
  serve: (serve: Partial<Spec['serve']>, what: string) => void;
  keep: () => void;
  method: () => void;
}

/** Null where a kept trial is looked at: it can't be changed. */
export const HandContext = createContext<Hand | null>(null);

export const useHand = () => useContext(HandContext);

/** The keys of a pour that a typed amount tells; a range only where one was typed. */
export function changeOf({ amount, unit, said, relative, range }: Amount): Partial<PourEntry> {
  return amount === null ? {} : { amount, unit, said, relative, ...(range && { range }) };
}
