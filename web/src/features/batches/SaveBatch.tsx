import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';

import { type Batch, batchesQuery, type DrinkDetail, type SavedBatchSummary, type Spec, useSaveBatch } from '@/api';
import { plainNumber } from '@/lib';
import { useSettings } from '@/hooks';
import { Button, Checkbox, Disclosure, ErrorMessage, FormField, NumberField, Select, TextField } from '@/ui';
import { batchEntry, type BatchRequest } from './useBatchRequest';

interface Props {
  drink: DrinkDetail;
  spec: Spec;
  wish: BatchRequest;
  batch: Batch;
}

/** The batch noted as made: its name, who made it, what stayed in the bottle of an older one. */
export function SaveBatch({ drink, spec, wish, batch }: Props) {
  const { supposed: query } = useSettings();
  const navigate = useNavigate();
  const make = useSaveBatch();
  const [name, setName] = useState('');
  const [maker, setMaker] = useState('');
  const [older, setOlder] = useState<Older | null>(null);
  const [wood, setWood] = useState(false);
  const [otherwise, setOtherwise] = useState<ActualAmounts>({});
  const olders = (useQuery(batchesQuery()).data ?? []).filter(({ drink_id }) => drink_id === drink.id);
  return (
    <section aria-label="Made" className="panel flex flex-col gap-3 p-4 text-lg">
      <h2 className="font-display text-xl font-semibold">Made it?</h2>
      <TextField label="Label" hint="drink and date if empty" value={name} onWrite={setName} />
      <TextField label="Made by" most={100} value={maker} onWrite={setMaker} />
      <Disclosure title="Amounts really poured" count={Object.keys(otherwise).length}>
        <PouredOtherwise batch={batch} otherwise={otherwise} onChange={setOtherwise} />
      </Disclosure>
      <OlderBatch olders={olders} older={older} wood={wood} onOlder={setOlder} onWood={setWood} />
      <Button
        look="accent"
        large
        className="self-start"
        disabled={make.isPending}
        onClick={() =>
          make.mutate(
            {
              params: { query },
              body: {
                batch: batchEntry(wish, spec),
                drink_id: drink.id,
                name: name.trim(),
                made_by: maker.trim(),
                made_at: '',
                poured: reallyPoured(batch, otherwise),
                older_id: older?.batch_id ?? null,
                older_ml: older?.ml ?? null,
                wood,
                note: '',
              },
            },
            { onSuccess: ({ id }) => void navigate(`/service/batches/${id}`) },
          )
        }
      >
        {batch.fit.fits ? 'Save batch' : 'Save batch in a larger container'}
      </Button>
      <ErrorMessage fault={make.error} className="text-error" />
    </section>
  );
}

/** What really went in where it wasn’t what was told, in ml, by its place in the order. */
type ActualAmounts = Readonly<Record<number, number>>;

/** All of it as it was really poured; none where it went as it was told. What was left out isn’t in the bottle. */
function reallyPoured({ pours }: Batch, otherwise: ActualAmounts) {
  if (Object.keys(otherwise).length === 0) return null;
  return pours
    .map(({ poured }, index) => ({ ...poured, ml: otherwise[index] ?? poured.ml }))
    .filter(({ ml }) => ml > 0);
}

interface OtherwiseProps {
  batch: Batch;
  otherwise: ActualAmounts;
  onChange: (otherwise: ActualAmounts) => void;
}

function PouredOtherwise({ batch, otherwise, onChange }: OtherwiseProps) {
  return (
    <ul className="flex flex-col gap-1 pt-1 text-base">
      {batch.pours.map(({ name, ml, taste_first }, index) => (
        <li key={`${name} ${index}`} className="flex items-center gap-2">
          <span className="grow">
            {name}
            {taste_first && ', after tasting'}
          </span>
          <NumberField
            aria-label={`Amount of ${name} poured${taste_first ? ', after tasting' : ''}, ml`}
            className="input min-h-11 w-24 px-2 text-right font-figure"
            most={1e6}
            value={otherwise[index] ?? ml}
            onFigure={(told) => {
              const others = Object.entries(otherwise).filter(([text]) => Number(text) !== index);
              onChange(Object.fromEntries(told === null || told === ml ? others : [...others, [index, told]]));
            }}
          />
          ml
        </li>
      ))}
    </ul>
  );
}

interface Older {
  batch_id: number;
  ml: number;
}

interface OlderProps {
  olders: SavedBatchSummary[];
  older: Older | null;
  wood: boolean;
  onOlder: (older: Older | null) => void;
  onWood: (wood: boolean) => void;
}

/** What was left of an older batch when this one was filled on it, and whether it lies in wood. */
function OlderBatch({ olders, older, wood, onOlder, onWood }: OlderProps) {
  const chosen = olders.find(({ id }) => id === older?.batch_id);
  if (olders.length === 0) return null;
  return (
    <Disclosure title="Added to an older batch, or aged in wood">
      <div className="flex flex-col gap-2 pt-1 text-base">
        <Select
          label="Older batch"
          className="min-h-11 w-full text-base"
          value={older?.batch_id ?? 0}
          options={[[0, 'a clean bottle'], ...olders.map(({ id, name: called }) => [id, called] as const)]}
          onPick={(batch_id) => {
            const of = olders.find(({ id }) => id === batch_id);
            onOlder(of ? { batch_id, ml: Math.floor(of.left_ml) } : null);
          }}
        />
        {older && (
          <FormField label={`How much of it was left, of ${plainNumber(chosen?.left_ml ?? 0, 0)} ml`}>
            <NumberField
              value={older.ml}
              least={1}
              most={chosen?.left_ml ?? 1}
              onFigure={(ml) => onOlder(ml === null ? null : { ...older, ml })}
            />
          </FormField>
        )}
        <Checkbox words="Aged in wood, which isn’t predicted" on={wood} onChange={onWood} />
      </div>
    </Disclosure>
  );
}
