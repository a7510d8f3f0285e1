import type { Ingredient, PourEntry, Slot } from '@/api';
import type { Ghost } from '@/features/swaps';
import type { FieldTarget } from './benchActions';

/** What lies on the left instead of the pours: the board of one of them, the larder for a new one, or what brings the drink back. */
type Open = { swap: number } | { add: Slot } | { bring: 'back' | FieldTarget };

/** What is looked at and not yet taken. */
export interface Preview {
  pours: PourEntry[];
  name: string;
  /** The optional pour that it leaves out. */
  out?: number;
}

/** The left of the bench: what is open there, what is tried on, and where a candidate leads. */
export interface LeftPanelState {
  open: Open | null;
  trying: Preview | null;
  /** Where the highlighted candidate of a board leads. */
  path: Ghost | null;
  /** The ingredient under the hand, for a new pour. */
  candidate: Ingredient | null;
}

export type LeftPanelAction =
  | { do: 'open'; open: Open }
  | { do: 'close' }
  | { do: 'try'; trying: Preview | null }
  | { do: 'point'; path: Ghost | null }
  | { do: 'candidate'; candidate: Ingredient | null };

export const CLOSED_PANEL: LeftPanelState = { open: null, trying: null, path: null, candidate: null };

export function leftPanelState(panel: LeftPanelState, move: LeftPanelAction): LeftPanelState {
  switch (move.do) {
    case 'open':
      return { ...panel, open: move.open };
    case 'close':
      return CLOSED_PANEL;
    case 'try':
      return { ...panel, trying: move.trying };
    case 'point':
      return { ...panel, path: move.path };
    case 'candidate':
      return { ...panel, candidate: move.candidate };
  }
}
