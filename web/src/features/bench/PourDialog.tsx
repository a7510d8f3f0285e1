import { ArrowDown, ArrowUp, Copy, Trash2 } from 'lucide-react';
import type { ReactNode } from 'react';

import type { PourEntry, Slot, Span, Spec, Unit } from '../../api/client';
import { capital, plain } from '../../lib/format';
import { Dialog } from '../../ui/Dialog';
import { movedPour, withDouble, withoutPour, withPour } from './draftHistory';
import { STAGE_WORDS, type Stage } from './stages';

interface Props {
  spec: Spec;
  index: number;
  name: string;
  /** Names of the drink's pours, in their order. */
  names: string[];
  /** Its ml as the forecast resolved it. */
  volumeMl: number | undefined;
  /** What its range makes of the drink, where it has one. */
  span: Span | undefined;
  onChange: (of: (spec: Spec) => Spec, what: string) => void;
  /** The pour stands elsewhere now. */
  onMoved: (index: number) => void;
  onClose: () => void;
}

const SLOTS: Slot[] = [
  'base',
  'sour',
  'sweet',
  'liqueur',
  'accent',
  'texture',
  'lengthener',
  'seasoning',
  'edge',
  'garnish',
  'other',
];
const UNITS: Unit[] = ['ml', 'cl', 'oz', 'barspoon', 'tsp', 'tbsp', 'dash', 'drop', 'splash', 'g', 'piece', 'leaf'];
const TIMES: [number, string][] = [
  [0.25, 'a quarter of'],
  [0.5, 'half of'],
  [1, 'as much as'],
  [2, 'twice'],
];

/** All of a pour that is not its amount: role, time, unit, order, whether it is optional, what it follows, its range. */
export function PourDialog({ spec, index, name, names, volumeMl, span, onChange, onMoved, onClose }: Props) {
  const pour = spec.pours[index];
  if (!pour) return null;
  const set = (change: Partial<PourEntry>, what: string) =>
    onChange((present) => withPour(present, index, change), `${what} ${index}`);
  const move = (to: number) => {
    onChange((present) => movedPour(present, index, to), `move ${index}`);
    onMoved(to);
  };
  const freed = pour.relative && volumeMl !== undefined ? { amount: volumeMl, unit: 'ml' as const } : {};
  return (
    <Dialog heading={name} onClose={onClose}>
      <div className="grid gap-3 sm:grid-cols-2">
        <Choice label="Role">
          <select
            className="select min-h-11 text-base"
            value={pour.slot}
            onChange={(event) => set({ slot: event.target.value as Slot }, 'slot')}
          >
            {SLOTS.map((slot) => (
              <option key={slot} value={slot}>
                {capital(slot)}
              </option>
            ))}
          </select>
        </Choice>
        <Choice label="Goes in">
          <select
            className="select min-h-11 text-base"
            value={pour.stage}
            onChange={(event) => set({ stage: event.target.value as Stage }, 'stage')}
          >
            {Object.entries(STAGE_WORDS).map(([stage, words]) => (
              <option key={stage} value={stage}>
                {words}
              </option>
            ))}
          </select>
        </Choice>
        <Choice label="Told in (the number stays)">
          <select
            className="select min-h-11 text-base"
            value={pour.unit}
            onChange={(event) => set({ unit: event.target.value as Unit, said: null, relative: null }, 'unit')}
          >
            {[...new Set([...UNITS, pour.unit])].map((unit) => (
              <option key={unit} value={unit}>
                {unit}
              </option>
            ))}
          </select>
        </Choice>
        <Choice label="Follows">
          <span className="flex gap-1.5">
            <select
              aria-label="How much of it"
              className="select min-h-11 min-w-0 grow text-base"
              value={pour.relative?.times ?? ''}
              onChange={(event) => {
                const times = Number(event.target.value);
                const to = pour.relative?.to ?? spec.pours.findIndex((_, at) => at !== index);
                if (event.target.value === '') set({ relative: null, ...freed }, 'follow');
                else set({ relative: { to, times }, said: null }, 'follow');
              }}
            >
              <option value="">nothing</option>
              {[...TIMES, ...(pour.relative ? [[pour.relative.times, `${pour.relative.times} ×`] as const] : [])]
                .filter(([times], at, all) => all.findIndex(([each]) => each === times) === at)
                .map(([times, words]) => (
                  <option key={times} value={times}>
                    {words}
                  </option>
                ))}
            </select>
            {pour.relative && (
              <select
                aria-label="Which pour"
                className="select min-h-11 min-w-0 grow text-base"
                value={pour.relative.to}
                onChange={(event) =>
                  set({ relative: { to: Number(event.target.value), times: pour.relative?.times ?? 1 } }, 'follow')
                }
              >
                {names.map((each, at) =>
                  at === index ? null : (
                    <option key={at} value={at}>
                      {each}
                    </option>
                  ),
                )}
              </select>
            )}
          </span>
        </Choice>
        <Choice label="To be settled between, ml">
          <span className="flex items-center gap-1.5">
            {([0, 1] as const).map((end) => (
              <input
                key={end}
                type="number"
                min={0}
                step={2.5}
                aria-label={end === 0 ? 'from, ml' : 'to, ml'}
                className="input min-h-11 min-w-0 grow font-figure text-base"
                value={pour.range?.[end] ?? ''}
                placeholder={end === 0 ? 'from' : 'to'}
                onChange={(event) => set({ range: withEnd(pour, end, event.target.value, volumeMl ?? 0) }, 'range')}
              />
            ))}
          </span>
        </Choice>
        <label className="flex min-h-11 cursor-pointer items-center gap-3 self-end">
          <input
            type="checkbox"
            className="checkbox"
            checked={pour.optional}
            onChange={(event) => set({ optional: event.target.checked }, 'optional')}
          />
          Optional: one key (O) shows the drink without it
        </label>
      </div>
      {span && (
        <p className="flex flex-wrap items-center gap-2">
          <span className="grow">Between these it comes nearest to its parent at {plain(span.best.pour_ml)} ml.</span>
          <button
            type="button"
            className="btn min-h-11 text-base font-normal"
            onClick={() => set({ amount: span.best.pour_ml, unit: 'ml', said: null, relative: null }, 'settle')}
          >
            Settle there
          </button>
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <Act icon={<ArrowUp size={18} aria-hidden />} words="Up" off={index === 0} onAct={() => move(index - 1)} />
        <Act
          icon={<ArrowDown size={18} aria-hidden />}
          words="Down"
          off={index === spec.pours.length - 1}
          onAct={() => move(index + 1)}
        />
        <Act
          icon={<Copy size={18} aria-hidden />}
          words="Double it"
          onAct={() => {
            onChange((present) => withDouble(present, index), `double ${index}`);
            onClose();
          }}
        />
        <Act
          icon={<Trash2 size={18} aria-hidden />}
          words="Take it out"
          off={spec.pours.length === 1}
          onAct={() => {
            onChange((present) => withoutPour(present, index), `remove ${index}`);
            onClose();
          }}
        />
      </div>
    </Dialog>
  );
}

/** A range with one end moved; no range where an end is cleared, and never the wrong way round. */
function withEnd(pour: PourEntry, end: 0 | 1, text: string, now: number): number[] | null {
  if (text === '') return null;
  const typed = Math.max(0, Number(text));
  const [low = now, high = now] = pour.range ?? [];
  return end === 0 ? [typed, Math.max(typed, high)] : [Math.min(low, typed), typed];
}

function Choice({ label, children }: { label: string; children: ReactNode }) {
  return (
    <label className="flex flex-col gap-1">
      <span className="text-quiet">{label}</span>
      {children}
    </label>
  );
}

interface ActProps {
  icon: ReactNode;
  words: string;
  off?: boolean;
  onAct: () => void;
}

function Act({ icon, words, off = false, onAct }: ActProps) {
  return (
    <button type="button" className="btn min-h-11 gap-1.5 text-base font-normal" disabled={off} onClick={onAct}>
      {icon} {words}
    </button>
  );
}
