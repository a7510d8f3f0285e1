import { useSyncExternalStore } from 'react';

import type { Original } from '../../api/client';
import { hasKeys, store, stored } from '../../lib/stored';

const PLACE = 'oenomel.pinned';
const listeners = new Set<() => void>();

const isOriginal = (kept: unknown): kept is Original =>
  hasKeys(kept, {
    spec: 'object',
    reasons: 'object',
    pours: 'object',
    parts: 'object',
    colour: 'string',
    abv: 'number',
  });
const areOriginals = (kept: unknown): kept is Original[] => Array.isArray(kept) && kept.every(isOriginal);

let current: Original[] = stored(PLACE, areOriginals) ?? [];

function put(next: Original[]) {
  current = next;
  // Without storage the pins last as long as the window.
  store(PLACE, next);
  listeners.forEach((tell) => tell());
}

function partsOf({ parts }: Original): string {
  return parts.map(({ slug }) => slug).join(' ');
}

/** Originals that somebody wants to keep in sight, whatever is wished for next. */
export function usePinned() {
  const pinned = useSyncExternalStore(
    (tell) => {
      listeners.add(tell);
      return () => listeners.delete(tell);
    },
    () => current,
  );
  // The same drink may come again under another name.
  const isPinned = (original: Original) => pinned.some((each) => partsOf(each) === partsOf(original));
  return {
    pinned,
    isPinned,
    toggle: (original: Original) =>
      put(isPinned(original) ? pinned.filter((each) => partsOf(each) !== partsOf(original)) : [...pinned, original]),
    clear: () => put([]),
  };
}
