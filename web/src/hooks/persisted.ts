import { useMemo } from 'react';
import { create, type StoreApi, type UseBoundStore } from 'zustand';
import { persist, type PersistStorage, type StorageValue } from 'zustand/middleware';

import { hasKeys, readStored, writeStored } from '@/lib';

/** A value that this browser keeps beyond the window, for every component that shows it. */
export type Persisted<T> = UseBoundStore<StoreApi<{ value: T }>>;

/** Reads what stood in the browser, which may be anybody's: null where it isn't what it should be. */
export type Schema<T> = (kept: unknown) => T | null;

/** Number of the present form. Before the first number, a value stood there bare. */
const VERSION = 1;

/** The browser's storage; without it a value lasts as long as the window, and the usual one leaves no trace there. */
function storageFor<T>(usual: T): PersistStorage<{ value: T }> {
  return {
    getItem: (key) => {
      const kept = readStored(key, isAnything);
      if (kept === null) return null;
      return isVersioned(kept) ? (kept as StorageValue<{ value: T }>) : { state: { value: kept as T }, version: 0 };
    },
    setItem: (key, { state, version }) => void writeStored(key, state.value === usual ? null : { state, version }),
    removeItem: (key) => void writeStored(key, null),
  };
}

const isAnything = (kept: unknown): kept is unknown => kept !== undefined;
const isVersioned = (kept: unknown): kept is StorageValue<{ value: unknown }> =>
  hasKeys(kept, { state: 'object', version: 'number' });

/** Reads a value that the browser keeps; null where there is none that fits its schema. */
export function readPersisted<T>(key: string, schema: Schema<T>): T | null {
  const kept = readStored(key, isAnything);
  return schema(isVersioned(kept) ? kept.state.value : kept);
}

/** Opens a value that the browser keeps under a key; what doesn't fit its schema is dropped for what is usual. */
export function persisted<T>(key: string, usual: T, schema: Schema<T>): Persisted<T> {
  return create<{ value: T }>()(
    persist(() => ({ value: usual }), {
      name: key,
      version: VERSION,
      storage: storageFor(usual),
      migrate: (kept) => kept as { value: T },
      merge: (kept, now) => {
        const read = schema((kept as { value?: unknown } | undefined)?.value);
        return read === null ? now : { value: read };
      },
    }),
  );
}

/** Sets a value, or makes the next one of the present. */
export function setPersisted<T>(store: Persisted<T>, next: T | ((now: T) => T)): void {
  store.setState(({ value }) => ({ value: next instanceof Function ? next(value) : next }));
}

/** A value that the browser keeps under a key of one drink or preparation, and what sets it. */
export function usePersisted<T>(key: string, usual: T, schema: Schema<T>) {
  // The usual value and the schema are constants of their module.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const store = useMemo(() => persisted(key, usual, schema), [key]);
  const value = store((state) => state.value);
  const set = useMemo(() => (next: T | ((now: T) => T)) => setPersisted(store, next), [store]);
  return [value, set] as const;
}
