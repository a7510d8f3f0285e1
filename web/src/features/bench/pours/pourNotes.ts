import type { Ingredient, PourEntry } from '@/api';
import { plainNumber, type Shown, shownAmount } from '@/lib';
import { amountWords, mainFigure, type NameOf } from '@/spec';

const TIMES: Record<number, string> = { 0.25: '¼ of', 0.5: '½ of', 1: 'as much as', 2: 'twice' };

/** "½ of London dry gin", where it follows. */
export function followsWords(pour: PourEntry, followed: PourEntry | undefined, nameOf: NameOf): string | null {
  if (!pour.relative || !followed) return null;
  return `${TIMES[pour.relative.times] ?? `${plainNumber(pour.relative.times)} ×`} ${nameOf(followed.ingredient)}`;
}

/** "5–20 ml", where it is a range. */
export function rangeWords(pour: PourEntry, shown: Shown, ounceMl: number): string | null {
  if (!pour.range) return null;
  const [low, high] = pour.range.map((end) => shownAmount(end, 'ml', shown, ounceMl));
  return low && high ? `${low.text}–${high.text} ${high.word}` : null;
}

/** What is in it, as far as it tells something. */
export function compositionWords(ingredient: Ingredient | undefined): string {
  if (!ingredient) return 'described in the spec';
  if (ingredient.kind === 'sugar') return 'pure sugar';
  return mainFigure(ingredient) || (ingredient.sparkling ? 'sparkling' : 'no sugar, acid or alcohol');
}

/** What changed against the parent's pour that it stands for; null where nothing did. */
export function changeWords(
  pour: PourEntry,
  before: PourEntry | undefined,
  nameOf: NameOf,
  shown: Shown,
  ounceMl: number,
): string | null {
  if (!before) return 'new in this drink';
  const [was, is] = [amountWords(before, shown, ounceMl), amountWords(pour, shown, ounceMl)];
  const name = nameOf(before.ingredient);
  if (name !== nameOf(pour.ingredient)) return `in for ${was === is ? '' : `${was} `}${name.toLowerCase()}`;
  return was === is ? null : `from ${was}`;
}
