import { useState } from 'react';

import type { Batch } from '@/api';
import { plainNumber, shownAmount, volumeText } from '@/lib';
import { useSettings, useWithVolumes } from '@/hooks';
import { Button, AxisMark } from '@/ui';
import { BottleDrawing } from './BottleDrawing';
import type { BatchRequest } from './useBatchRequest';

interface Props {
  batch: Batch;
  wish: BatchRequest;
  onChange: (part: Partial<BatchRequest>) => void;
}

/** What goes into the bottle, in the order of pouring and to scale, and whether the bottle holds it. */
export function FillingOrder({ batch, wish, onChange }: Props) {
  const { shown, ounceMl } = useSettings();
  const inUnit = useWithVolumes();
  const { pours, fit, makes, total_ml, container_ml, notes, water, chilling, keeps } = batch;
  // What stands beside already isn’t told twice.
  const elsewhere = [fit.words, keeps, chilling.words, `Water: ${water.words}`];
  const bands = pours.map(({ ml, brings, taste_first }, index) => ({
    key: String(index),
    ml,
    brings,
    waits: taste_first,
  }));
  return (
    <>
      <h2 className="font-display text-2xl leading-tight font-semibold">
        {volumeText(total_ml, shown, ounceMl)}{' '}
        <span className="font-sans text-lg font-normal text-quiet">{inUnit(makes)}</span>
      </h2>
      {!fit.fits && (
        <div role="alert" className="flex flex-col items-start gap-2 rounded-xl bg-secondary p-3 text-lg">
          <p className="font-semibold">{inUnit(fit.words)}</p>
          <div className="flex flex-wrap gap-2">
            <Button look="primary" onClick={() => onChange({ serves: null, container: container_ml })}>
              Make as much as fits
            </Button>
            <Button onClick={() => onChange({ container: null, serves: wish.serves ?? Math.floor(batch.serves) })}>
              Use a larger one
            </Button>
          </div>
        </div>
      )}
      <div className="flex gap-4 max-sm:gap-2.5">
        <div className="w-28 shrink-0 max-sm:w-14">
          <BottleDrawing
            bands={bands}
            container={container_ml}
            usable={fit.usable_ml}
            label={`A container of ${plainNumber(container_ml, 0)} ml holding ${plainNumber(total_ml, 0)} ml`}
            className="h-80 w-full max-sm:h-60"
          />
          <p className="text-center text-base text-quiet">{plainNumber(container_ml, 0)} ml</p>
        </div>
        <FillingSteps batch={batch} />
      </div>
      <ul className="flex flex-col gap-1.5 border-t border-base-300 pt-2">
        {notes
          .filter((note) => !elsewhere.includes(note))
          .map((note) => (
            <li key={note} className="max-w-prose text-base leading-snug">
              {inUnit(note)}
            </li>
          ))}
      </ul>
    </>
  );
}

/** The pours in their order, each to tick off once it is in the jug. */
function FillingSteps({ batch }: { batch: Batch }) {
  const inUnit = useWithVolumes();
  const { shown, ounceMl } = useSettings();
  const [done, setDone] = useState<readonly number[]>([]);
  const tick = (index: number) =>
    setDone(done.includes(index) ? done.filter((value) => value !== index) : [...done, index]);
  return (
    <ol className="flex min-w-0 grow flex-col" aria-label="Order of pouring">
      {batch.pours.map(({ name, ml, how, brings, taste_first, lot }, index) => {
        const { text, word } = shownAmount(ml, 'ml', shown, ounceMl);
        const on = done.includes(index);
        return (
          <li key={`${name} ${index}`} className="border-b border-base-300 last:border-0">
            {taste_first && <p className="pt-1.5 text-base font-semibold">Taste it over ice first.</p>}
            <label className="flex min-h-12 cursor-pointer items-center gap-3 py-1">
              <input type="checkbox" className="checkbox" checked={on} onChange={() => tick(index)} />
              <span className={`min-w-0 grow leading-tight ${on ? 'text-quiet line-through' : ''}`}>
                <span className="flex items-center gap-2 text-xl font-semibold">
                  {brings !== 'water' && brings !== 'other' && <AxisMark axis={brings} />}
                  {name}
                </span>
                <span className="block text-base text-quiet">
                  {inUnit([lot && `from ${lot}`, how].filter(Boolean).join('; '))}
                </span>
              </span>
              <span className={`text-3xl font-semibold whitespace-nowrap max-sm:text-2xl ${on ? 'text-quiet' : ''}`}>
                <span className="font-figure">{text}</span> <span className="text-lg font-normal">{word}</span>
              </span>
            </label>
          </li>
        );
      })}
    </ol>
  );
}
