import type { TrialEntry } from '@/api';

/** The middle of the scores of a trial; undefined where nobody gave one. */
export function medianScore(trial: TrialEntry): number | undefined {
  const given = trial.sheets.flatMap(({ score }) => (score == null ? [] : [score]));
  return given.length ? given.reduce((sum, value) => sum + value, 0) / given.length : undefined;
}
