import { useSyncExternalStore } from 'react';

import type { Original } from '@/api';
import { hasKeys, readStored, writeStored } from '@/lib';

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

let current: Original[] = readStored(PLACE, areOriginals) ?? [];

function put(next: Original[]) {
  current = next;
  // Without storage the pins last as long as the window.
  writeStored(PLACE, next);
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
  const isPinned = (original: Original) => pinned.some((item) => partsOf(item) === partsOf(original));
  return {
    pinned,
    isPinned,
    toggle: (original: Original) =>
      put(isPinned(original) ? pinned.filter((item) => partsOf(item) !== partsOf(original)) : [...pinned, original]),
    clear: () => put([]),
  };
}
