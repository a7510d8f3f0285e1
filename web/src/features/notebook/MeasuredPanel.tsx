import { useQuery } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { useState } from 'react';

import type { NotebookTrial, Reading, ReadingEntry } from '../../api/client';
import { capital } from '../../lib/format';
import { useSettings } from '../../lib/settings';
import { Chips } from '../../ui/Chips';
import { calibrationQuery, devicesQuery, useKeepReading, useReadDevice, useTakeReadingBack } from './useNotebook';

interface Props {
  drinkId: number;
  trial: NotebookTrial;
}

type Quantity = ReadingEntry['quantity'];
type Point = ReadingEntry['point'];

const QUANTITIES: [Quantity, string, string][] = [
  ['weight_g', 'weight', 'g'],
  ['held_back_g', 'left on the ice', 'g'],
  ['volume_ml', 'volume', 'ml'],
  ['brix', 'refractometer', '°Bx'],
  ['acid', 'titrated acid', 'g/100 ml'],
  ['ph', 'pH', ''],
  ['abv', 'strength', '% ABV'],
  ['temperature_c', 'temperature', '°C'],
];
const POINTS: [Point, string][] = [
  ['tin', 'before the ice'],
  ['strained', 'after the ice'],
  ['served', 'as served'],
];
const ADVICE: Partial<Record<Quantity, string>> = {
  weight_g:
    'Tare the empty tin or glass first. Weigh tin and ice after straining too: what stays there reads as water that never came.',
  held_back_g: 'Tin and ice after straining, less tin and ice before: what of the drink stayed behind.',
  brix: 'A refractometer reads alcohol as sugar: it tells the sweetness only of what has none.',
};

/** Readings of a trial beside the forecast of its day, and how to take another. */
export function MeasuredPanel({ drinkId, trial }: Props) {
  const back = useTakeReadingBack(drinkId);
  const factors = useQuery(calibrationQuery());
  const own = factors.data?.find(({ technique }) => technique === trial.spec.method.technique);
  return (
    <section aria-label="Measured" className="panel p-3 sm:p-4">
      <h2 className="font-display text-2xl font-semibold">
        Measured <span className="font-sans text-lg font-normal text-quiet">of trial {trial.number}</span>
      </h2>
      <p className="mb-2 max-w-[75ch] text-base text-quiet">
        {own
          ? `${own.words} The forecasts use it.`
          : 'Weigh it before and after the ice once or twice: from then on the water is foreseen by your own hand.'}
        {trial.water && ` This one took ${Math.round(trial.water.ratio * 100)} % of the foreseen water.`}
      </p>
      {trial.readings.length > 0 && (
        <ul className="mb-3 divide-y divide-base-300">
          {trial.readings.map((reading) => (
            <ReadingRow key={reading.id} reading={reading} onBack={() => back.mutate(reading.id)} />
          ))}
        </ul>
      )}
      {back.error && <p role="alert">{capital(back.error.message)}</p>}
      <TakeReading key={trial.id} drinkId={drinkId} trial={trial} />
    </section>
  );
}

function ReadingRow({ reading, onBack }: { reading: Reading; onBack: () => void }) {
  const { name, at, value, unit, decimals, forecast, words, warning, device } = reading;
  return (
    <li className="flex flex-wrap items-center gap-x-4 py-1 text-base">
      <span className="min-w-52 grow">
        {capital(name)}, {at}
        {device && <span className="text-quiet"> ({device})</span>}
      </span>
      <span className="text-xl">
        <span className="font-figure">{value.toFixed(decimals)}</span>{' '}
        <span className="text-sm text-quiet">{unit}</span>
      </span>
      <span className="min-w-56 text-quiet">
        {forecast != null && (
          <>
            foreseen <span className="font-figure text-base-content">{forecast.toFixed(decimals)}</span>: {words}
          </>
        )}
      </span>
      <button
        type="button"
        className="btn btn-square btn-ghost min-h-11"
        aria-label={`Take back ${name} ${at}`}
        onClick={onBack}
      >
        <X size={18} aria-hidden />
      </button>
      {warning && <span className="basis-full pb-1">{warning}</span>}
    </li>
  );
}

/** What was read: typed, or shown by a device with one press. */
function TakeReading({ drinkId, trial }: Props) {
  const { devices } = useSettings();
  const [quantity, setQuantity] = useState<Quantity>('weight_g');
  const [point, setPoint] = useState<Point>('tin');
  const [value, setValue] = useState('');
  const [device, setDevice] = useState('');
  const known = useQuery(devicesQuery());
  const keep = useKeepReading(drinkId);
  const read = useReadDevice();
  const kind = known.data?.find((each) => each.quantity === quantity);
  const make = kind && (devices[kind.device] ?? kind.makes[0]);
  const [, , unit] = QUANTITIES.find(([each]) => each === quantity) ?? ['', '', ''];
  const refused = keep.error ?? read.error;
  return (
    <form
      aria-label="Take a reading"
      className="flex flex-col gap-3 border-t border-base-300 pt-3"
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate(
          { trial: trial.id, reading: { quantity, point, value: Number(value), device } },
          {
            onSuccess: () => {
              setValue('');
              setDevice('');
              read.reset();
            },
          },
        );
      }}
    >
      <div className="flex flex-wrap gap-x-6 gap-y-3">
        <Chips
          legend="Where"
          options={POINTS}
          value={point}
          onChoose={(chosen: Point) => {
            setPoint(chosen);
            setValue('');
          }}
        />
        <Chips
          legend="What"
          options={QUANTITIES.map(([each, words]) => [each, words])}
          value={quantity}
          onChoose={(chosen: Quantity) => {
            setQuantity(chosen);
            setValue('');
          }}
        />
      </div>
      {ADVICE[quantity] && <p className="max-w-[75ch] text-base text-quiet">{ADVICE[quantity]}</p>}
      <div className="flex flex-wrap items-end gap-2">
        <label className="flex flex-col gap-1 text-base">
          Reading{unit && `, ${unit}`}
          <input
            type="number"
            step="any"
            inputMode="decimal"
            required
            className="input input-lg w-36 font-figure"
            value={value}
            onChange={(event) => {
              setValue(event.target.value);
              setDevice('');
            }}
          />
        </label>
        {kind && make && make !== 'by hand' && (
          <button
            type="button"
            className="btn btn-lg text-base"
            disabled={read.isPending}
            onClick={() =>
              read.mutate(
                { device: kind.device, trial: trial.id, point, make },
                {
                  onSuccess: (shown) => {
                    setValue(String(shown.value));
                    setDevice(`${kind.device}, ${make}`);
                  },
                },
              )
            }
          >
            {read.isPending ? 'Reading…' : `Read the ${kind.device}`}
          </button>
        )}
        <button type="submit" className="btn btn-primary btn-lg text-base" disabled={value === '' || keep.isPending}>
          Keep the reading
        </button>
      </div>
      {refused && (
        <p role="alert" className="max-w-[75ch] text-lg text-error">
          {capital(refused.message)}
        </p>
      )}
    </form>
  );
}
