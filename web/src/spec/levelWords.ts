import type { Ingredient } from '@/api';
import { gramsText, plainNumber } from '@/lib';

type Levels = Pick<Ingredient, 'abv' | 'sugar' | 'acid'>;

/** "41% ABV, 0.5 g sugar/100 ml". */
export function levelWords({ abv, sugar, acid }: Levels): string {
  const dissolved = [sugar >= 0.5 && `${gramsText(sugar)} g sugar`, acid >= 0.05 && `${gramsText(acid)} g acid`].filter(
    Boolean,
  );
  return [abv > 0 && `${plainNumber(abv, 1)}% ABV`, dissolved.length > 0 && `${dissolved.join(' and ')}/100 ml`]
    .filter(Boolean)
    .join(', ');
}

/** The figure that an ingredient is poured for: "41% ABV" of a spirit, "6 g acid/100 ml" of a juice. */
export function mainFigure({ abv, sugar, acid }: Levels): string {
  if (abv >= 15) return `${plainNumber(abv, 1)}% ABV`;
  if (acid >= 1) return `${gramsText(acid)} g acid/100 ml`;
  if (sugar >= 0.5) return `${gramsText(sugar)} g sugar/100 ml`;
  return levelWords({ abv, sugar, acid });
}
