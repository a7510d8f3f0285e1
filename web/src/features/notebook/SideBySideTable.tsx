import type { NotebookTrial, SideBySide } from '../../api/client';
import { axisUnit, capital, level, plain, volume } from '../../lib/format';
import { useSettings } from '../../lib/settings';
import { AxisMark } from '../../ui/AxisMark';
import { Fold } from '../../ui/Fold';
import { AXES, AXIS_NAMES } from './words';

interface Props {
  trials: NotebookTrial[];
  table: SideBySide | undefined;
  error: Error | null;
  nameOf: (slug: string) => string;
}

/** Two to four trials, differences first: one sentence, then the axes, the pours, what was said, what else differed. */
export function SideBySideTable({ trials, table, error, nameOf }: Props) {
  const { shown, ounceMl } = useSettings();
  if (!table || table.comparisons.length !== trials.length - 1) {
    return (
      <p className="panel p-5 text-lg" role={error ? 'alert' : undefined}>
        {error ? error.message : 'Laying them side by side…'}
      </p>
    );
  }
  const rows = table.rows.filter(({ differs }) => differs);
  const same = table.rows.filter(({ differs }) => !differs);
  const cellWords = (cell: SideBySide['rows'][number]['cells'][number]) => {
    if (!cell) return '—';
    if (cell.unit === 'dash') return `${plain(cell.volume_ml / 0.8)} dashes`;
    return shown === 'oz' ? `${plain(cell.volume_ml / ounceMl)} oz` : `${plain(cell.volume_ml)} ml`;
  };
  return (
    <section aria-label="Side by side" className="panel min-w-0 p-3 sm:p-4">
      <p className="mb-3 max-w-[75ch] text-xl leading-snug font-semibold">{table.sentence}</p>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Trials in columns">
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
              <tr key={axis}>
                <Head>
                  <AxisMark axis={axis} size={14} /> {AXIS_NAMES[axis]}
                </Head>
                {trials.map((trial, column) => {
                  const beside = column > 0 ? table.comparisons[column - 1] : undefined;
                  const told = beside?.axes.find((each) => each.axis === axis);
                  return (
                    <td key={trial.id} className="border-t border-base-300 px-3 py-1.5 align-top">
                      <span className="font-figure text-xl">
                        {level(
                          beside ? beside.present.served[axis] : (table.comparisons[0]?.parent.served[axis] ?? 0),
                          axis,
                        )}
                      </span>{' '}
                      <span className="text-sm text-quiet">{axisUnit(axis)}</span>
                      {told && told.direction !== 'same' && (
                        <span className="block leading-tight">
                          {told.headline}
                          {told.certainty && <span className="text-quiet">, {surely(told.certainty)}</span>}
                        </span>
                      )}
                    </td>
                  );
                })}
              </tr>
            ))}
            {rows.map((row) => (
              <tr key={row.cells.map((cell) => `${cell?.name} ${cell?.volume_ml}`).join()}>
                <Head>{[...new Set(row.cells.flatMap((cell) => (cell ? [cell.name] : [])))].join(' / ')}</Head>
                {row.cells.map((cell, column) => (
                  <td
                    key={trials[column]?.id}
                    className={`border-t border-base-300 px-3 py-1.5 ${column > 0 && changed(cell, row.cells[0]) ? 'bg-secondary font-semibold' : ''}`}
                  >
                    <span className="font-figure">{cellWords(cell)}</span>
                    {cell && column > 0 && row.cells[0] && cell.name !== row.cells[0].name && (
                      <span className="block">{cell.name}</span>
                    )}
                    <Share
                      table={table}
                      column={column}
                      names={[cell?.name, row.cells[0]?.name].flatMap((name) => name ?? [])}
                    />
                  </td>
                ))}
              </tr>
            ))}
            <tr>
              <Head>As served</Head>
              {trials.map((trial) => (
                <td key={trial.id} className="border-t border-base-300 px-3 py-1.5">
                  {volume(trial.figures.volume_ml, shown, ounceMl)}
                </td>
              ))}
            </tr>
            {trials.some(({ readings }) => readings.length > 0) && (
              <tr>
                <Head>Measured</Head>
                {trials.map((trial) => (
                  <td key={trial.id} className="border-t border-base-300 px-3 py-1.5 align-top">
                    {trial.readings.length === 0 && <span className="text-quiet">nothing</span>}
                    {trial.readings
                      .filter(({ quantity }) => quantity !== 'held_back_g')
                      .map((reading) => (
                        <p key={reading.id} className="leading-snug">
                          {reading.name} {reading.at}:{' '}
                          <span className="font-figure">{reading.value.toFixed(reading.decimals)}</span>
                          {reading.forecast != null && (
                            <span className="text-quiet"> ({reading.forecast.toFixed(reading.decimals)} foreseen)</span>
                          )}
                        </p>
                      ))}
                  </td>
                ))}
              </tr>
            )}
            <tr>
              <Head>What was said</Head>
              {trials.map((trial) => (
                <td key={trial.id} className="border-t border-base-300 px-3 py-1.5 align-top">
                  {trial.sheets.length === 0 && <span className="text-quiet">not tasted yet</span>}
                  {trial.sheets.map((sheet) => (
                    <p key={sheet.id} className="leading-snug">
                      <strong className="font-semibold">{sheet.taster}</strong>
                      {sheet.score != null && <span className="font-figure"> {plain(sheet.score, 1)}</span>}
                      {sheet.blind && <span className="text-quiet"> blind</span>}: {sheet.verdict || 'in words'}
                      {sheet.loud && `: ${nameOf(sheet.loud)}`}
                      {Object.values(sheet.words).some(Boolean) && (
                        <span className="text-quiet"> “{Object.values(sheet.words).filter(Boolean).join('; ')}”</span>
                      )}
                    </p>
                  ))}
                </td>
              ))}
            </tr>
          </tbody>
        </table>
      </div>
      {table.circumstances.length > 0 && (
        <div className="mt-3 border-t border-base-300 pt-2">
          <h2 className="text-lg font-semibold">Besides the pours</h2>
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
      )}
      {same.length > 0 && (
        <div className="mt-2 text-base">
          <Fold title="The same in all" count={same.length}>
            <p>
              {same.flatMap(({ cells }) => (cells[0] ? [`${cellWords(cells[0])} ${cells[0].name}`] : [])).join(' · ')}
            </p>
          </Fold>
        </div>
      )}
    </section>
  );
}

function Head({ children }: { children: React.ReactNode }) {
  return (
    <th
      scope="row"
      className="sticky left-0 max-w-44 border-t border-base-300 bg-base-100 py-1.5 pr-3 text-left align-top font-normal"
    >
      {children}
    </th>
  );
}

/** What this change did, as its share of the difference: the axes that it moves by half a step or more. */
function Share({ table, column, names }: { table: SideBySide; column: number; names: string[] }) {
  const changes = column > 0 ? table.comparisons[column - 1]?.changes : undefined;
  const change = changes?.find(({ words }) => names.some((name) => words.includes(name)));
  const felt = AXES.filter((axis) => Math.abs(change?.steps[axis] ?? 0) >= 0.5);
  if (!change || felt.length === 0) return null;
  return (
    <span className="flex items-center gap-1.5 text-sm font-normal text-quiet">
      brings
      {felt.map((axis) => (
        <span key={axis} className="flex items-center gap-0.5 font-figure text-base-content">
          {((change.steps[axis] ?? 0) > 0 ? '+' : '−').repeat(
            Math.min(3, Math.ceil(Math.abs(change.steps[axis] ?? 0) - 0.25)),
          )}
          <AxisMark axis={axis} size={12} />
        </span>
      ))}
    </span>
  );
}

type Cell = SideBySide['rows'][number]['cells'][number] | undefined;

function changed(cell: Cell, first: Cell): boolean {
  return cell?.name !== first?.name || cell?.volume_ml !== first?.volume_ml;
}

/** "surely sharper" beside "Sharper" says the word twice. */
function surely(certainty: string): string {
  const [how = ''] = /^(surely|very likely|likely)/.exec(certainty) ?? [];
  return how || certainty;
}
