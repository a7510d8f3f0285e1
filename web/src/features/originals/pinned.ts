import type { Original } from '@/api';
import { persisted, setPersisted } from '@/hooks';
import { hasKeys } from '@/lib';

const ORIGINAL = {
  spec: 'object',
  reasons: 'object',
  pours: 'object',
  parts: 'object',
  colour: 'string',
  abv: 'number',
} as const;

const originalsIn = (kept: unknown) =>
  Array.isArray(kept) && kept.every((item) => hasKeys(item, ORIGINAL)) ? (kept as Original[]) : null;

const usePins = persisted<Original[]>('oenomel.pinned', [], originalsIn);

function partsOf({ parts }: Original): string {
  return parts.map(({ slug }) => slug).join(' ');
}

/** Originals that somebody wants to keep in sight, whatever is wished for next. */
export function usePinned() {
  const pinned = usePins((state) => state.value);
  // The same drink may come again under another name.
  const isPinned = (original: Original) => pinned.some((item) => partsOf(item) === partsOf(original));
  return {
    pinned,
    isPinned,
    toggle: (original: Original) =>
      setPersisted(usePins, (now) =>
        isPinned(original) ? now.filter((item) => partsOf(item) !== partsOf(original)) : [...now, original],
      ),
    clear: () => setPersisted(usePins, []),
  };
}
