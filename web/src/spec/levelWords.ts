import type { Ingredient } from '../api/client';
import { grams, plain } from '../lib/format';

/** "41 %, 0.5 g sugar". */
export function levelWords({ abv, sugar, acid }: Pick<Ingredient, 'abv' | 'sugar' | 'acid'>): string {
  const parts = [
    abv > 0 && `${plain(abv, 1)} %`,
    sugar >= 0.5 && `${grams(sugar)} g sugar`,
    acid >= 0.05 && `${grams(acid)} g acid`,
  ];
  return parts.filter(Boolean).join(', ');
}
