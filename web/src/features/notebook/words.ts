import type { NotebookTrial, PourEntry, Spec } from '../../api/client';
import { shownAmount, type AxisName, type Shown } from '../../lib/format';

export const AXES: AxisName[] = ['sugar', 'acid', 'abv'];
export const AXIS_NAMES: Record<AxisName, string> = { sugar: 'Sweetness', acid: 'Sharpness', abv: 'Strength' };

/** "22.5 ml Lemon juice". */
export function pourWords(pour: PourEntry, spec: Spec, shown: Shown, nameOf: (slug: string) => string): string {
  const { text, word } = shownAmount(Number(pour.amount), pour.unit, shown, spec.ounce_ml);
  return `${text} ${word} ${typeof pour.ingredient === 'string' ? nameOf(pour.ingredient) : pour.ingredient.name}`;
}

/** The middle of the scores of a trial; undefined where nobody gave one. */
export function scoreOf(trial: NotebookTrial): number | undefined {
  const given = trial.sheets.flatMap(({ score }) => (score == null ? [] : [score]));
  return given.length ? given.reduce((sum, each) => sum + each, 0) / given.length : undefined;
}
