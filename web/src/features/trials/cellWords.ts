import type { SideBySide } from '@/api';
import { useSettings } from '@/hooks';
import { amountWords } from '@/spec';

export type Cell = SideBySide['rows'][number]['cells'][number] | undefined;

/** How much one trial pours, in the unit in which it is spoken of; a dash where it pours none. */
export function useCellWords(): (cell: Cell) => string {
  const { shown, ounceMl } = useSettings();
  return (cell) => (cell ? amountWords(cell, shown, ounceMl) : '—');
}
