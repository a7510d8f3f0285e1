import type { PourEntry } from '@/api';

/** Where a candidate leads on the field: as poured, and once it is brought back. */
export interface Ghost {
  name: string;
  path: { sugar: number; acid: number; abv: number }[];
}

/** What a panel beside the field does with the drink. */
export interface PanelActions {
  /** Locks another pour, or frees it. */
  onLock: (index: number) => void;
  /** Shows on the field where a candidate leads; null shows none. */
  onGhost: (ghost: Ghost | null) => void;
  /** Pours to look at without taking them; null takes them off again. */
  onTry: (pours: PourEntry[] | null, name: string) => void;
  onTake: (pours: PourEntry[], slug: string) => void;
  onBack: () => void;
}
