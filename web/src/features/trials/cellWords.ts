import type { SideBySide } from '@/api/types';
import { useSettings } from '@/hooks/settings';
import { amountWords } from '@/spec/pourWords';

export type Cell = SideBySide['rows'][number]['cells'][number] | undefined;

/** How much one trial pours, in the unit in which it is spoken of; a dash where it pours none. */
export function useCellWords(): (cell: Cell) => string {
  const { shown, ounceMl } = useSettings();
  return (cell) => (cell ? amountWords(cell, shown, ounceMl) : '—');
}
