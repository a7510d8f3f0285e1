import type { PourEntry } from '@/api';
import { type Shown, shownAmount } from '@/lib';
import type { NameOf } from './names';

/** "22.5 ml": an amount as it is shown. */
export function amountWords(pour: Pick<PourEntry, 'amount' | 'unit'>, shown: Shown, ounceMl: number): string {
  const { text, word } = shownAmount(Number(pour.amount), pour.unit, shown, ounceMl);
  return `${text} ${word}`;
}

/** "22.5 ml Lemon juice". */
export function pourWords(pour: PourEntry, shown: Shown, ounceMl: number, nameOf: NameOf): string {
  return `${amountWords(pour, shown, ounceMl)} ${nameOf(pour.ingredient)}`;
}
