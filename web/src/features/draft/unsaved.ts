import { newIdempotencyKey, type Spec, type Unit } from '@/api';
import { hasKeys, readStored, storedKeys, writeStored } from '@/lib';
import type { Draft } from './draft';

/** A save that was sent and not answered yet: sent again with its key it is the same save. */
export interface PendingSave {
  key: string;
  body: { parent_trial_id: number; spec: Spec; revision: number };
}

/** An amount that was typed and not read yet. */
export interface TypedInput {
  text: string;
  unit: Unit;
  pour: number;
}

/** What a window has on a drink that the server doesn't have yet. */
export interface Unsaved {
  drinkId: number;
  window: string;
  /** The draft's revision at the server, as far as this window knows. */
  revision: number;
  /** What the server had when it was last heard of. */
  saved: Draft;
  draft: Draft;
  sending: PendingSave | null;
  typed: TypedInput | null;
  /** When it was last seen to in its window, ms; a window that goes away says so. */
  at: number;
  left: boolean;
}

/** A window that works on a drink comes by more often than this. */
export const BEAT_MS = 5000;
const LOST_AFTER_MS = 3 * BEAT_MS;

const BEGINNING = 'oenomel.unsaved.';
const placeOf = ({ drinkId, window }: Pick<Unsaved, 'drinkId' | 'window'>) => `${BEGINNING}${drinkId}.${window}`;

/** This window, for as long as it is open. */
export const WINDOW = newIdempotencyKey();

const isDraft = (kept: unknown) =>
  hasKeys(kept, { spec: 'object', parentTrialId: 'number', locks: 'object' }) &&
  Array.isArray((kept as Draft).spec.pours);

const isUnsaved = (kept: unknown): kept is Unsaved =>
  hasKeys(kept, { drinkId: 'number', window: 'string', revision: 'number', draft: 'object', at: 'number' }) &&
  [(kept as Unsaved).draft, (kept as Unsaved).saved].every(isDraft);

/** Keeps it in the browser; whether that could be done. */
export function storeUnsaved(unsaved: Unsaved): boolean {
  return writeStored(placeOf(unsaved), unsaved);
}

export function forgetUnsaved(unsaved: Pick<Unsaved, 'drinkId' | 'window'>): void {
  writeStored(placeOf(unsaved), null);
}

/** The last that was left on a drink by a window that is gone. */
export function abandonedDraft(drinkId: number): Unsaved | undefined {
  return storedKeys(`${BEGINNING}${drinkId}.`)
    .flatMap((place) => readStored(place, isUnsaved) ?? [])
    .filter(({ window, left, at }) => window !== WINDOW && (left || Date.now() - at > LOST_AFTER_MS))
    .sort((one, other) => one.at - other.at)
    .at(-1);
}
