import type { NotebookTrial } from '../../api/client';
import type { AxisName } from '../../lib/format';

export const AXES: AxisName[] = ['sugar', 'acid', 'abv'];

/** The middle of the scores of a trial; undefined where nobody gave one. */
export function scoreOf(trial: NotebookTrial): number | undefined {
  const given = trial.sheets.flatMap(({ score }) => (score == null ? [] : [score]));
  return given.length ? given.reduce((sum, each) => sum + each, 0) / given.length : undefined;
}
