import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { devicesQuery, type ReadingEntry, type TrialEntry, useReadDevice, useSaveTrialReading } from '@/api';
import { useSettings } from '@/hooks';
import { Button, ChoiceChips, ErrorMessage, NumberField } from '@/ui';

interface Props {
  drinkId: number;
  trial: TrialEntry;
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
    'Tare the empty tin or glass first. Weigh tin and ice after straining too, so that what stays behind isn’t read as less dilution.',
  held_back_g: 'Tin and ice after straining, minus tin and ice before: what stayed behind.',
  brix: 'A refractometer reads alcohol as sugar. Use it for non-alcoholic parts only.',
};

/** What was read: typed, or shown by a device with one press. */
export function RecordReading({ drinkId, trial }: Props) {
  const [readingDraft, setReadingDraft] = useState<ReadingDraft>({
    quantity: 'weight_g',
    point: 'tin',
    value: null,
    device: '',
  });
  const tell = (change: Partial<ReadingDraft>) => setReadingDraft({ ...readingDraft, ...change });
  const keep = useSaveTrialReading();
  const device = useDevice(readingDraft, trial.id, (value, name) => tell({ value, device: name }));
  const [, , unit] = QUANTITIES.find(([option]) => option === readingDraft.quantity) ?? ['', '', ''];
  const refused = keep.error ?? device?.error;
  const submit = () => {
    const params = { path: { drink_id: drinkId, trial_id: trial.id } };
    const onSuccess = () => {
      tell({ value: null, device: '' });
      device?.forget();
    };
    keep.mutate({ params, body: { ...readingDraft, value: readingDraft.value ?? 0 } }, { onSuccess });
  };
  return (
    <form
      aria-label="Take a reading"
      className="flex flex-col gap-3 border-t border-base-300 pt-3"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <div className="flex flex-wrap gap-x-6 gap-y-3">
        <ChoiceChips
          legend="When"
          options={POINTS}
          value={readingDraft.point}
          onChoose={(point) => tell({ point, value: null })}
        />
        <ChoiceChips
          legend="Kind"
          options={QUANTITIES.map(([option, words]) => [option, words])}
          value={readingDraft.quantity}
          onChoose={(quantity: Quantity) => tell({ quantity, value: null })}
        />
      </div>
      {ADVICE[readingDraft.quantity] && (
        <p className="max-w-[75ch] text-base text-quiet">{ADVICE[readingDraft.quantity]}</p>
      )}
      <div className="flex flex-wrap items-end gap-2">
        <label className="flex flex-col gap-1 text-base">
          Reading{unit && `, ${unit}`}
          <NumberField
            required
            least={-50}
            unit={unit.split('/')[0]?.trim() ?? ''}
            className="input input-lg w-36 font-figure"
            value={readingDraft.value}
            onFigure={(value) => tell({ value, device: '' })}
          />
        </label>
        {device && (
          <Button large className="text-base" disabled={device.isReading} onClick={device.read}>
            {device.isReading ? 'Reading…' : `Read the ${device.name}`}
          </Button>
        )}
        <Button type="submit" look="primary" large className="text-base" disabled={keep.isPending}>
          Save
        </Button>
      </div>
      <ErrorMessage fault={refused} className="max-w-[75ch] text-lg text-error" />
    </form>
  );
}

interface ReadingDraft {
  quantity: Quantity;
  point: Point;
  value: number | null;
  /** What it was read with, empty for by hand. */
  device: string;
}

/** The device that shows a quantity, where the house has one. */
function useDevice(readingDraft: ReadingDraft, trial_id: number, onShown: (value: number, device: string) => void) {
  const { devices } = useSettings();
  const known = useQuery(devicesQuery());
  const read = useReadDevice();
  const kind = known.data?.find((item) => item.quantity === readingDraft.quantity);
  const make = kind && (devices[kind.device] ?? kind.makes[0]);
  if (!kind || !make || make === 'by hand') return null;
  const body = { trial_id, point: readingDraft.point, make, zero: true };
  return {
    name: kind.device,
    isReading: read.isPending,
    error: read.error,
    forget: read.reset,
    read: () =>
      read.mutate(
        { params: { path: { device: kind.device } }, body },
        { onSuccess: (shown) => onShown(shown.value, `${kind.device}, ${make}`) },
      ),
  };
}
