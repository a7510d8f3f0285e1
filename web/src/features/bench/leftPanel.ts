import type { Ingredient, PourEntry, Slot } from '../../api/client';
import type { Ghost } from '../swaps';
import type { Wish } from './hand';

/** What lies on the left instead of the pours: the board of one of them, the larder for a new one, or what brings the drink back. */
type Open = { swap: number } | { add: Slot } | { bring: 'back' | Wish };

/** What is looked at and not yet taken. */
export interface Trying {
  pours: PourEntry[];
  name: string;
  /** The optional pour that it leaves out. */
  out?: number;
}

/** The left of the bench: what is open there, what is tried on, and where a candidate leads. */
export interface LeftPanel {
  open: Open | null;
  trying: Trying | null;
  /** Where the highlighted candidate of a board leads. */
  path: Ghost | null;
  /** The ingredient under the hand, for a new pour. */
  candidate: Ingredient | null;
}

export type PanelMove =
  | { do: 'open'; open: Open }
  | { do: 'close' }
  | { do: 'try'; trying: Trying | null }
  | { do: 'point'; path: Ghost | null }
  | { do: 'candidate'; candidate: Ingredient | null };

export const CLOSED: LeftPanel = { open: null, trying: null, path: null, candidate: null };

export function leftPanel(panel: LeftPanel, move: PanelMove): LeftPanel {
  switch (move.do) {
    case 'open':
      return { ...panel, open: move.open };
    case 'close':
      return CLOSED;
    case 'try':
      return { ...panel, trying: move.trying };
    case 'point':
      return { ...panel, path: move.path };
    case 'candidate':
      return { ...panel, candidate: move.candidate };
  }
}
