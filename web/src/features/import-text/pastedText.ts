import { hasKeys, readStored, writeStored } from '@/lib';

const PLACE = 'oenomel.pasted';

interface Pasted {
  text: string;
}

/** What was pasted here before and led to no drink yet. */
export const lastPasted = (): string =>
  readStored(PLACE, (kept): kept is Pasted => hasKeys(kept, { text: 'string' }))?.text ?? '';

export const rememberPasted = (text: string) => void writeStored(PLACE, text ? { text } : null);
