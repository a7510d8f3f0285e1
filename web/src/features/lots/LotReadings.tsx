import { useQuery } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { useState } from 'react';

import { devicesQuery, useReadLotDevice, useRemoveLotReading, useSaveLotReading } from '@/api';
import type { LotDetail, LotReadingEntry } from '@/api';
import { plainNumber } from '@/lib';
import { useSettings } from '@/hooks';
import { Button, ChoiceChips, Disclosure, ErrorMessage, IconButton, NumberField } from '@/ui';
import { Titration } from './Titration';

type ReadingQuantity = LotReadingEntry['what'];

const QUANTITY_OPTIONS: readonly [ReadingQuantity, string, string][] = [
  ['acid', 'titrated acid', 'g/100 ml'],
  ['brix', 'refractometer', '°Bx'],
  ['abv', 'strength', '% ABV'],
  ['density', 'density', 'g/ml'],
  ['ph', 'pH', ''],
];
/** Which device shows it. */
const DEVICE: Record<ReadingQuantity, string | null> = {
  acid: 'burette',
  brix: 'refractometer',
  abv: 'hydrometer',
  density: null,
  ph: 'pH meter',
};
const ADVICE: Partial<Record<ReadingQuantity, string>> = {
  acid: 'As citric acid. The steps are below.',
  brix: 'All that is dissolved. Titrate the acid too, and the sugar follows.',
  density: 'Weigh a measured volume: grams divided by millilitres.',
  ph: 'Shows whether juice is fresh, not how sharp it tastes. No figure changes.',
};

/** The readings of a lot: typed, titrated, or shown by a device with one press. */
export function LotReadings({ lot }: { lot: LotDetail }) {
  const [what, setWhat] = useState<ReadingQuantity>(lot.figures[2]?.prior ? 'acid' : 'brix');
  const [value, setValue] = useState<number | null>(null);
  const params = { path: { lot_id: lot.id } };
  const keep = useSaveLotReading();
  const take = (body: LotReadingEntry) => keep.mutate({ params, body }, { onSuccess: () => setValue(null) });
  const device = useDevice(lot.id, what, take);
  const [, , unit] = QUANTITY_OPTIONS.find(([option]) => option === what) ?? ['', '', ''];
  return (
    <section aria-label="Readings" className="panel flex flex-col gap-3 p-4">
      <h2 className="font-display text-xl font-semibold">Readings</h2>
      <ReadingList lot={lot} />
      <form
        aria-label="Take a reading"
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (value !== null) take({ what, value, sd: null, device: '' });
        }}
      >
        <ChoiceChips
          legend="Kind of reading"
          options={QUANTITY_OPTIONS.map(([option, words]) => [option, words])}
          value={what}
          onChoose={(option: ReadingQuantity) => {
            setWhat(option);
            setValue(null);
            keep.reset();
          }}
        />
        {ADVICE[what] && <p className="text-base text-quiet">{ADVICE[what]}</p>}
        <div className="flex flex-wrap items-end gap-2">
          <label className="flex flex-col gap-1 text-base">
            Reading{unit && `, ${unit}`}
            <NumberField
              className="input input-lg w-32 font-figure"
              least={-100}
              unit={unit.split('/')[0]?.trim() ?? ''}
              value={value}
              onFigure={setValue}
            />
          </label>
          <Button type="submit" look="primary" large className="text-base" disabled={keep.isPending}>
            Save
          </Button>
          {device && (
            <Button large className="text-base" disabled={device.isReading} onClick={device.read}>
              {device.isReading ? 'Reading…' : `Read the ${device.name}`}
            </Button>
          )}
        </div>
        <ErrorMessage fault={keep.error ?? device?.error} className="text-lg text-error" />
      </form>
      {what === 'acid' && (
        <Disclosure title="How to titrate">
          <Titration
            steps={lot.titration}
            onAcid={(acid, sd, words) => take({ what: 'acid', value: acid, sd, device: words })}
          />
        </Disclosure>
      )}
    </section>
  );
}

/** What was read of it, each to be taken back. */
function ReadingList({ lot }: { lot: LotDetail }) {
  const remove = useRemoveLotReading();
  if (lot.readings.length === 0) {
    return <p className="text-lg text-quiet">Not measured yet. Drinks use the standard values.</p>;
  }
  return (
    <ul className="divide-y divide-base-300 text-lg">
      {lot.readings.map(({ id, what, value, device }) => {
        const [, words, unit] = QUANTITY_OPTIONS.find(([option]) => option === what) ?? [what, what, ''];
        return (
          <li key={id} className="flex items-center gap-2">
            <span className="min-w-0 grow py-1">
              <span className="font-semibold">
                {plainNumber(value, what === 'density' ? 3 : 2)} {unit}
              </span>{' '}
              {words}
              {device && <span className="block text-base text-quiet">{device}</span>}
            </span>
            <IconButton
              icon={X}
              label={`Delete the reading of ${plainNumber(value)}`}
              onClick={() => remove.mutate({ params: { path: { lot_id: lot.id, reading_id: id } } })}
            />
          </li>
        );
      })}
    </ul>
  );
}

/** The device that shows what is to be read, where the house has one: one press reads and keeps. */
function useDevice(lotId: number, what: ReadingQuantity, onShown: (entry: LotReadingEntry) => void) {
  const { devices } = useSettings();
  const known = useQuery(devicesQuery());
  const read = useReadLotDevice();
  const kind = known.data?.find((item) => item.device === DEVICE[what]);
  const make = kind && (devices[kind.device] ?? kind.makes[0]);
  if (!kind || !make || make === 'by hand') return null;
  return {
    name: kind.device,
    isReading: read.isPending,
    error: read.error,
    read: () =>
      read.mutate(
        { params: { path: { lot_id: lotId, device: kind.device } }, body: { make, zero: true } },
        { onSuccess: onShown },
      ),
  };
}
