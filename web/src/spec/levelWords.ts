import type { Ingredient } from '../api/client';
import { grams, plain } from '../lib/format';

type Levels = Pick<Ingredient, 'abv' | 'sugar' | 'acid'>;

/** "41% ABV, 0.5 g sugar/100 ml". */
export function levelWords({ abv, sugar, acid }: Levels): string {
  const dissolved = [sugar >= 0.5 && `${grams(sugar)} g sugar`, acid >= 0.05 && `${grams(acid)} g acid`].filter(
    Boolean,
  );
  return [abv > 0 && `${plain(abv, 1)}% ABV`, dissolved.length > 0 && `${dissolved.join(' and ')}/100 ml`]
    .filter(Boolean)
    .join(', ');
}

/** The figure that an ingredient is poured for: "41% ABV" of a spirit, "6 g acid/100 ml" of a juice. */
export function mainFigure({ abv, sugar, acid }: Levels): string {
  if (abv >= 15) return `${plain(abv, 1)}% ABV`;
  if (acid >= 1) return `${grams(acid)} g acid/100 ml`;
  if (sugar >= 0.5) return `${grams(sugar)} g sugar/100 ml`;
  return levelWords({ abv, sugar, acid });
}
