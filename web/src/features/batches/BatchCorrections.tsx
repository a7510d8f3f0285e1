import { useState } from 'react';

import { useAddToBatch, useCorrectBatch, useSaveBatchReading } from '@/api';
import type { Correction, Corrections, SavedBatch } from '@/api';
import { AXIS_NAMES, type AxisName, levelText, plainNumber } from '@/lib';
import { useWithVolumes } from '@/hooks';
import { AxisMark, Disclosure, ErrorMessage, NumberField, Select } from '@/ui';

const TASTE_WORDS: [AxisName, [number, string][]][] = [
  [
    'sugar',
    [
      [-2, 'too dry'],
      [-1, 'a touch dry'],
      [0, 'right'],
      [1, 'a touch sweet'],
      [2, 'too sweet'],
    ],
  ],
  [
    'acid',
    [
      [-2, 'too dull'],
      [-1, 'a touch dull'],
      [0, 'right'],
      [1, 'a touch sharp'],
      [2, 'too sharp'],
    ],
  ],
  [
    'abv',
    [
      [-2, 'too weak'],
      [-1, 'a touch weak'],
      [0, 'right'],
      [1, 'a touch strong'],
      [2, 'too strong'],
    ],
  ],
];
type TastedOff = Partial<Record<AxisName, number>>;
const READINGS = [
  ['brix', '°Bx'],
  ['acid', 'g acid/100 ml'],
  ['abv', '% ABV'],
] as const;

/** Tasted over ice first; then what the tongue or the refractometer says, and what to add for it. */
export function BatchCorrections({ batch }: { batch: SavedBatch }) {
  const inUnit = useWithVolumes();
  const { id, taste, used_up_at, recipe } = batch;
  const path = { batch_id: id };
  const [said, setSaid] = useState<TastedOff>({});
  const [found, setFound] = useState<Corrections | null>(null);
  const asking = useCorrectBatch();
  const reading = useSaveBatchReading();
  const adding = useAddToBatch();
  const tell = { onSuccess: setFound, onError: () => setFound(null) };
  const say = (axis: AxisName, value: number) => {
    const next = { ...said, [axis]: value };
    setSaid(next);
    asking.mutate({ params: { path }, body: { ...next, grid: 5 } }, tell);
  };
  const add = (correction: Correction) =>
    adding.mutate(
      {
        params: { path },
        body: { poured: correction.additions.map(({ poured }) => poured), words: `to make it ${correction.word}` },
      },
      {
        onSuccess: () => {
          setFound({ words: 'Added. Stir and taste again.', notes: [], corrections: [] });
          setSaid({});
        },
      },
    );
  if (used_up_at) return null;
  return (
    <section aria-label="Taste and correct" className="panel flex flex-col gap-3 p-4">
      <h2 className="font-display text-2xl leading-tight font-semibold">Taste and correct</h2>
      <p className="text-lg leading-snug">{inUnit(taste)}</p>
      {TASTE_WORDS.map(([axis, words]) => (
        <div key={axis} role="group" aria-label={AXIS_NAMES[axis]} className="flex flex-wrap items-center gap-1.5">
          <AxisMark axis={axis} size={16} />
          {words.map(([value, text]) => (
            <button
              key={value}
              type="button"
              aria-pressed={said[axis] === value}
              className={`btn min-h-11 px-2.5 text-base font-normal ${said[axis] === value ? 'btn-primary' : 'btn-ghost border-base-300'}`}
              onClick={() => say(axis, value)}
            >
              {text}
            </button>
          ))}
        </div>
      ))}
      <RefractometerReading
        recipe={recipe}
        onRead={(what, value) => reading.mutate({ params: { path }, body: { what, value, sd: null, grid: 5 } }, tell)}
      />
      <ErrorMessage fault={asking.error ?? reading.error ?? adding.error} className="text-lg text-error" />
      {found && <Found found={found} pending={adding.isPending} onAdd={add} />}
    </section>
  );
}

interface FoundProps {
  found: Corrections;
  pending: boolean;
  onAdd: (correction: Correction) => void;
}

/** What was found of it, and what brings it back. */
function Found({ found, pending, onAdd }: FoundProps) {
  const inUnit = useWithVolumes();
  return (
    <div role="status" className="flex flex-col gap-2 border-t border-base-300 pt-3">
      {found.words && <p className="text-lg">{inUnit(found.words)}</p>}
      {found.notes.map((note) => (
        <p key={note} className="text-base text-quiet">
          {inUnit(note)}
        </p>
      ))}
      {found.corrections.map((correction) => (
        <div key={correction.words} className="flex flex-col items-start gap-2 rounded-xl bg-base-200 p-3">
          <p className="text-xl leading-snug">{inUnit(correction.words)}</p>
          <button
            type="button"
            className="btn btn-accent h-auto min-h-12 py-2 text-base"
            disabled={pending}
            onClick={() => onAdd(correction)}
          >
            Added {correction.additions.map(({ name, ml }) => inUnit(`${plainNumber(ml)} ml ${name}`)).join(', ')}
          </button>
        </div>
      ))}
    </div>
  );
}

type CorrectionReading = (typeof READINGS)[number][0];

interface ReadProps {
  recipe: SavedBatch['recipe'];
  onRead: (what: CorrectionReading, value: number) => void;
}

/** A reading of the bottle, in the unit of what it was read with. */
function RefractometerReading({ recipe, onRead }: ReadProps) {
  const [what, setWhat] = useState<CorrectionReading>('brix');
  return (
    <Disclosure title="Reading">
      <div className="flex flex-wrap items-center gap-2 pt-1 text-lg">
        <NumberField
          aria-label="Reading of the bottle"
          className="input min-h-11 w-28 font-figure"
          most={1000}
          value={null}
          onFigure={(value) => value !== null && onRead(what, value)}
        />
        <Select label="Unit" value={what} options={[...READINGS]} onPick={setWhat} />
        <span className="text-base text-quiet">
          The recipe has {levelText(recipe.sugar, 'sugar')} g sugar and {levelText(recipe.acid, 'acid')} g acid per 100
          ml.
        </span>
      </div>
    </Disclosure>
  );
}
