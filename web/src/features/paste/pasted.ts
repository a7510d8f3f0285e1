import { hasKeys, store, stored } from '../../lib/stored';

const PLACE = 'oenomel.pasted';

interface Pasted {
  text: string;
}

/** What was pasted here before and led to no drink yet. */
export const pastedBefore = (): string =>
  stored(PLACE, (kept): kept is Pasted => hasKeys(kept, { text: 'string' }))?.text ?? '';

export const keepPasted = (text: string) => void store(PLACE, text ? { text } : null);
