import type { Alternative, Move, SwapRow } from '@/api';
import { type Shown, shownAmount } from '@/lib';

/** What a row is called: the ingredient, with what it is poured beside. */
export function rowName(row: SwapRow, present: string): string {
  if (row.helper) return `${row.name} with ${row.helper.name.toLowerCase()}`;
  if (row.share === 0.5) return `${row.name}, half and half with ${present}`;
  if (row.share === 0.25) return `A quarter of ${row.name}, the rest ${present}`;
  return row.name;
}

/** "+ 5 ml quince syrup": one pour's change. */
export function moveWords(move: Move, shown: Shown, ounceMl: number): string {
  const change = move.after_ml - move.before_ml;
  const amount = shownAmount(move.amount, move.unit, shown, ounceMl);
  return `${change > 0 ? '+' : '−'} ${amount.text} ${amount.word} ${move.said}`;
}

/** What is left after a way: "Then a touch weaker", or that nothing is. */
export function remainderWords(left: Alternative['left']): string {
  const felt = left.filter(({ felt, axis }) => felt && axis !== 'volume_ml').map(({ words }) => words);
  return felt.length ? `After that: ${felt.join(', ')}.` : 'After that, a guest notices no difference.';
}

/** Words of what can be tasted, or that nothing can. */
export function tastedWords(words: string[]): string {
  return words.length ? words.join(', ') : 'same sweetness, acidity and strength';
}
