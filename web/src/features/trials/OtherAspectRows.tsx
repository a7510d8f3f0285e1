import type { SideBySide, TrialEntry } from '@/api';
import { capital, plainNumber } from '@/lib';
import { CELL, Head } from './SideBySideRows';

interface Props {
  trials: TrialEntry[];
  table: SideBySide;
}

/** Sweet against tart of each trial; no row where a trial has no home to be read from, or all read the same. */
export function SweetTartRow({ trials, table }: Props) {
  const places = [table.comparisons[0]?.parent.place, ...table.comparisons.map(({ present }) => present.place)];
  if (places.some((place) => !place) || new Set(places.map((place) => place?.lean)).size < 2) return null;
  return (
    <tr>
      <Head>Sugar to acid</Head>
      {trials.map((trial, column) => (
        <td key={trial.id} className={CELL}>
          {places[column]?.lean}
        </td>
      ))}
    </tr>
  );
}

/** How loud each ingredient is beside the first trial, where a nose could tell. */
export function LoudnessRows({ trials, table }: Props) {
  const told = table.comparisons.flatMap(({ loudness }) => loudness.filter((item) => item.told));
  const names = new Map(told.map(({ slug, name }) => [slug, name]));
  return [...names].map(([slug, name]) => {
    const cells = table.comparisons.map(({ loudness }) => loudness.find((item) => item.slug === slug));
    const first = cells.find((cell) => cell !== undefined)?.before ?? 0;
    return (
      <tr key={slug}>
        <Head>{capital(name)} aroma</Head>
        {[
          { share: first, words: '' },
          ...cells.map((cell) => ({ share: cell?.after, words: cell?.told ? cell.words : '' })),
        ].map(({ share, words }, column) => (
          <td key={trials[column]?.id} className={CELL}>
            {share === undefined ? '—' : `${plainNumber(100 * share, 0)}% of the glass`}
            {words && <span className="block leading-tight font-semibold">{words}</span>}
          </td>
        ))}
      </tr>
    );
  });
}
