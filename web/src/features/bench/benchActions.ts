import { createContext, useContext } from 'react';

import type { Amount, Finding, PourEntry, Slot, Spec, Unit } from '@/api';

/** A point of the field that was chosen by hand. */
export interface FieldTarget {
  sugar: number;
  acid: number;
}

/** A text that stands in the amount of a pour. */
export interface TypedAmount {
  text: string;
  unit: Unit;
  pour: number;
}

/** What a pour would be with what is typed for it. */
export interface PourPreview {
  pour: number;
  change: Partial<PourEntry>;
}

/** What a hand can do with the drink on the bench. It stays the same for as long as the bench is there, so that nothing is drawn for it. */
export interface BenchActions {
  change: (of: (spec: Spec) => Spec, what: string) => void;
  undo: (times?: number) => void;
  redo: () => void;
  /** An amount is being typed: kept in the browser until it is settled (null); finished, it only waits for its reading. */
  typing: (typed: TypedAmount | null, isFinished?: boolean) => void;
  /** Shows the figures of what a typed amount would make of a pour, without taking it; null shows the drink as it lies. */
  preview: (preview: PourPreview | null) => void;
  /** Reads a typed amount beside the drink as it lies there. */
  read: (typed: TypedAmount) => Promise<Amount>;
  /** Opens the board of a pour. */
  choose: (pour: number) => void;
  /** Opens all else of a pour. */
  more: (pour: number) => void;
  /** Opens the larder for a new pour. */
  add: (slot?: Slot) => void;
  bring: (to: 'back' | FieldTarget) => void;
  lock: (pour: number) => void;
  /** Looks at the drink without an optional pour, or puts it back. */
  out: (pour: number) => void;
  mend: (finding: Finding, mend: number) => void;
  size: () => void;
  serve: (serve: Partial<Spec['serve']>, what: string) => void;
  keep: () => void;
  method: () => void;
  /** Opens the steps, to be told otherwise or moved. */
  steps: () => void;
  garnish: () => void;
  along: () => void;
}

/** Null where a kept trial is looked at: it can't be changed. */
export const BenchActionsContext = createContext<BenchActions | null>(null);

export const useBenchActions = () => useContext(BenchActionsContext);

/** The keys of a pour that a typed amount tells; a range only where one was typed. None while something has to be asked first. */
export function pourChange({ amount, unit, said, relative, range, asks }: Amount): Partial<PourEntry> {
  return amount === null || asks !== '' ? {} : { amount, unit, said, relative, ...(range && { range }) };
}
