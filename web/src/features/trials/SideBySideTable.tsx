import type { Fault, SideBySide, TrialEntry } from '@/api';
import { AXES, capital } from '@/lib';
import type { NameOf } from '@/spec';
import { Disclosure } from '@/ui';
import { SweetTartRow, LoudnessRows } from './OtherAspectRows';
import { useCellWords } from './cellWords';
import { AxisRow, ReadingsRow, PourRow, NotesRow, ServedRow } from './SideBySideRows';

interface Props {
  trials: TrialEntry[];
  table: SideBySide | undefined;
  error: Fault | null;
  nameOf: NameOf;
}

/** Two to four trials, differences first: one sentence, then the axes, the pours, what was said, what else differed. */
export function SideBySideTable({ trials, table, error, nameOf }: Props) {
  const cellWords = useCellWords();
  if (!table || table.comparisons.length !== trials.length - 1) {
    return (
      <p className="panel p-5 text-lg" role={error ? 'alert' : undefined}>
        {error ? error.detail : 'Comparing…'}
      </p>
    );
  }
  const same = table.rows.filter(({ differs }) => !differs);
  return (
    <section aria-label="Side by side" className="panel min-w-0 p-3 max-lg:order-first sm:p-4">
      <p className="mb-3 max-w-[75ch] text-xl leading-snug font-semibold">{table.sentence}</p>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="One column per trial">
        <table
          style={{ minWidth: 88 + 122 * trials.length }}
          className="w-full table-fixed border-separate border-spacing-x-0 text-base"
        >
          <colgroup>
            <col className="w-22 sm:w-34" />
          </colgroup>
          <thead>
            <tr>
              <td className="sticky left-0 bg-base-100" />
              {trials.map((trial) => (
                <th key={trial.id} scope="col" className="min-w-32 px-3 pb-1 text-left align-bottom">
                  <span className="block text-lg leading-tight">Trial {trial.number}</span>
                  <span className="block font-normal text-quiet">{trial.name}</span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {AXES.map((axis) => (
              <AxisRow key={axis} axis={axis} trials={trials} table={table} />
            ))}
            {table.rows
              .filter(({ differs }) => differs)
              .map((row) => (
                <PourRow
                  key={row.cells.map((cell) => `${cell?.name} ${cell?.volume_ml}`).join()}
                  row={row}
                  trials={trials}
                />
              ))}
            <SweetTartRow trials={trials} table={table} />
            <LoudnessRows trials={trials} table={table} />
            <ServedRow trials={trials} />
            <ReadingsRow trials={trials} />
            <NotesRow trials={trials} nameOf={nameOf} />
          </tbody>
        </table>
      </div>
      <Circumstances trials={trials} table={table} />
      {same.length > 0 && (
        <div className="mt-2 text-base">
          <Disclosure title="The same in all" count={same.length}>
            <p>
              {same.flatMap(({ cells }) => (cells[0] ? [`${cellWords(cells[0])} ${cells[0].name}`] : [])).join(' · ')}
            </p>
          </Disclosure>
        </div>
      )}
    </section>
  );
}

/** What differed besides the pours, and what that could explain. */
function Circumstances({ trials, table }: { trials: TrialEntry[]; table: SideBySide }) {
  if (table.circumstances.length === 0) return null;
  return (
    <div className="mt-3 border-t border-base-300 pt-2">
      <h2 className="text-lg font-semibold">Beyond the ingredients</h2>
      <ul className="grid gap-x-6 text-base sm:grid-cols-2">
        {table.circumstances.map(({ what, values, words }) => (
          <li key={what} className="py-1 leading-snug">
            <strong className="font-semibold">{capital(what)}</strong>:{' '}
            {values.map((value, column) => `${value} (${trials[column]?.number})`).join(', ')}.{' '}
            <span className="text-quiet">{words}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}
