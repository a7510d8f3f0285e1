import type { ReactNode } from 'react';

import type { SideBySide, TrialEntry } from '@/api';
import { AXES, AXIS_NAMES, type AxisName, axisUnit, levelText, plainNumber, volumeText } from '@/lib';
import { useSettings } from '@/hooks';
import type { NameOf } from '@/spec';
import { AxisMark } from '@/ui';
import { useCellWords, type Cell } from './cellWords';

export const CELL = 'border-t border-base-300 px-3 py-1.5 align-top';

export function Head({ children }: { children: ReactNode }) {
  return (
    <th
      scope="row"
      className="sticky left-0 max-w-44 border-t border-base-300 bg-base-100 py-1.5 pr-3 text-left align-top font-normal"
    >
      {children}
    </th>
  );
}

interface AxisRowProps {
  axis: AxisName;
  trials: TrialEntry[];
  table: SideBySide;
}

/** One axis of each trial, and how it differs from the first. */
export function AxisRow({ axis, trials, table }: AxisRowProps) {
  return (
    <tr>
      <Head>
        <AxisMark axis={axis} size={14} /> {AXIS_NAMES[axis]}
      </Head>
      {trials.map((trial, column) => {
        const beside = column > 0 ? table.comparisons[column - 1] : undefined;
        const told = beside?.axes.find((ax) => ax.axis === axis);
        const served = beside ? beside.present.served : table.comparisons[0]?.parent.served;
        return (
          <td key={trial.id} className={CELL}>
            <span className="font-figure text-xl">{levelText(served?.[axis] ?? 0, axis)}</span>{' '}
            <span className="text-sm text-quiet">{axisUnit(axis)}</span>
            {told && told.direction !== 'same' && (
              <span className="block leading-tight">
                {told.headline}
                {told.certainty && <span className="text-quiet">, {told.sureness || told.certainty}</span>}
              </span>
            )}
          </td>
        );
      })}
    </tr>
  );
}

/** One pour across the trials, and what its change brings. */
export function PourRow({ row, trials }: { row: SideBySide['rows'][number]; trials: TrialEntry[] }) {
  const cellWords = useCellWords();
  const [first] = row.cells;
  return (
    <tr>
      <Head>{[...new Set(row.cells.flatMap((cell) => (cell ? [cell.name] : [])))].join(' / ')}</Head>
      {row.cells.map((cell, column) => (
        <td
          key={trials[column]?.id}
          className={`border-t border-base-300 px-3 py-1.5 ${column > 0 && changed(cell, first) ? 'bg-secondary font-semibold' : ''}`}
        >
          <span className="font-figure">{cellWords(cell)}</span>
          {cell && first && column > 0 && cell.name !== first.name && <span className="block">{cell.name}</span>}
          <Brings steps={row.brings[column] ?? {}} />
        </td>
      ))}
    </tr>
  );
}

function changed(cell: Cell, first: Cell): boolean {
  return cell?.name !== first?.name || cell?.volume_ml !== first?.volume_ml;
}

/** What this change did, as its share of the difference, in up to three strokes an axis. */
function Brings({ steps }: { steps: Record<string, number> }) {
  const felt = AXES.flatMap((axis) => (steps[axis] === undefined ? [] : [{ axis, by: steps[axis] }]));
  if (felt.length === 0) return null;
  return (
    <span className="flex items-center gap-1.5 text-sm font-normal text-quiet">
      adds
      {felt.map(({ axis, by }) => (
        <span key={axis} className="flex items-center gap-0.5 font-figure text-base-content">
          {(by > 0 ? '+' : '−').repeat(Math.min(3, Math.ceil(Math.abs(by) - 0.25)))}
          <AxisMark axis={axis} size={12} />
        </span>
      ))}
    </span>
  );
}

export function ServedRow({ trials }: { trials: TrialEntry[] }) {
  const { shown, ounceMl } = useSettings();
  return (
    <tr>
      <Head>As served</Head>
      {trials.map((trial) => (
        <td key={trial.id} className="border-t border-base-300 px-3 py-1.5">
          {volumeText(trial.figures.volume_ml, shown, ounceMl)}
        </td>
      ))}
    </tr>
  );
}

/** Readings beside what was foreseen; no row where nothing was measured. */
export function ReadingsRow({ trials }: { trials: TrialEntry[] }) {
  if (trials.every(({ readings }) => readings.length === 0)) return null;
  return (
    <tr>
      <Head>Measured</Head>
      {trials.map((trial) => (
        <td key={trial.id} className={CELL}>
          {trial.readings.length === 0 && <span className="text-quiet">nothing</span>}
          {trial.readings
            .filter(({ quantity }) => quantity !== 'held_back_g')
            .map((reading) => (
              <p key={reading.id} className="leading-snug">
                {reading.name} {reading.at}:{' '}
                <span className="font-figure">{reading.value.toFixed(reading.decimals)}</span>
                {reading.forecast != null && (
                  <span className="text-quiet"> ({reading.forecast.toFixed(reading.decimals)} predicted)</span>
                )}
              </p>
            ))}
        </td>
      ))}
    </tr>
  );
}

/** What was said of each trial, taster by taster. */
export function NotesRow({ trials, nameOf }: { trials: TrialEntry[]; nameOf: NameOf }) {
  return (
    <tr>
      <Head>Tasting notes</Head>
      {trials.map((trial) => (
        <td key={trial.id} className={CELL}>
          {trial.sheets.length === 0 && <span className="text-quiet">not tasted yet</span>}
          {trial.sheets.map((sheet) => {
            const words = Object.values(sheet.words).filter(Boolean);
            return (
              <p key={sheet.id} className="leading-snug">
                <strong className="font-semibold">{sheet.taster}</strong>
                {sheet.score != null && <span className="font-figure"> {plainNumber(sheet.score, 1)}</span>}
                {sheet.blind && <span className="text-quiet"> blind</span>}: {sheet.verdict || 'no score'}
                {sheet.loud && `: ${nameOf(sheet.loud)}`}
                {words.length > 0 && <span className="text-quiet"> “{words.join('; ')}”</span>}
              </p>
            );
          })}
        </td>
      ))}
    </tr>
  );
}
