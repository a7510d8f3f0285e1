import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import type { Ingredient, Label } from '../../api/client';
import { capital } from '../../lib/format';
import { Dialog } from '../../ui/Dialog';
import { sweetnessQuery, useAddBottle } from '../../api/queries/shelf';

interface Props {
  larder: Ingredient[];
  onAdded: (name: string) => void;
  onClose: () => void;
}

const KINDS: Label['kind'][] = [
  'spirit',
  'liqueur',
  'fortified',
  'aromatised',
  'wine',
  'sparkling',
  'beer',
  'cider',
  'juice',
  'vinegar',
  'syrup',
  'honey',
  'bitters',
  'water',
  'zero-proof',
];

/** A bottle from its label: its name, its kind, how strong; the rest where the label tells it. */
export function AddBottle({ larder, onAdded, onClose }: Props) {
  const [name, setName] = useState('');
  const [kind, setKind] = useState<Label['kind']>('spirit');
  const [strength, setStrength] = useState('');
  const [asProof, setAsProof] = useState(false);
  const [sugar, setSugar] = useState('');
  const [sweetness, setSweetness] = useState('');
  const [acid, setAcid] = useState('');
  const [like, setLike] = useState('');
  const [price, setPrice] = useState('');
  const classes = useQuery(sweetnessQuery()).data?.[kind] ?? [];
  const add = useAddBottle();
  const kin = larder.filter((ingredient) => ingredient.kind === kind);

  return (
    <Dialog
      heading="A bottle from its label"
      onClose={onClose}
      actions={
        <button
          type="submit"
          form="add-bottle"
          className="btn btn-accent btn-lg"
          disabled={!name.trim() || add.isPending}
        >
          Put it on the shelf
        </button>
      }
    >
      <form
        id="add-bottle"
        className="grid gap-3 text-lg sm:grid-cols-2"
        onSubmit={(event) => {
          event.preventDefault();
          add.mutate(
            {
              name: name.trim(),
              kind,
              [asProof ? 'proof' : 'abv']: number(strength),
              sugar: number(sugar),
              acid: number(acid),
              sweetness: sugar === '' ? sweetness : '',
              like,
              state: 'at hand',
              price_per_litre: number(price),
            },
            { onSuccess: (bottle) => onAdded(bottle.name) },
          );
        }}
      >
        <label className="flex flex-col gap-1 sm:col-span-2">
          Name
          <input
            autoFocus
            className="input input-lg w-full"
            value={name}
            maxLength={200}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <label className="flex flex-col gap-1">
          Kind
          <select
            className="select select-lg w-full"
            value={kind}
            onChange={(event) => {
              setKind(event.target.value as Label['kind']);
              setSweetness('');
              setLike('');
            }}
          >
            {KINDS.map((each) => (
              <option key={each} value={each}>
                {capital(each)}
              </option>
            ))}
          </select>
        </label>
        <div className="flex flex-col gap-1">
          <label htmlFor="bottle-strength">Strength</label>
          <span className="flex gap-1">
            <Figure id="bottle-strength" value={strength} most={asProof ? 200 : 100} onChange={setStrength} />
            {(['%', 'proof'] as const).map((unit) => (
              <button
                key={unit}
                type="button"
                aria-pressed={asProof === (unit === 'proof')}
                className={`btn btn-lg px-3 font-normal ${asProof === (unit === 'proof') ? 'btn-secondary' : 'btn-ghost border-base-300'}`}
                onClick={() => setAsProof(unit === 'proof')}
              >
                {unit}
              </button>
            ))}
          </span>
        </div>
        <label className="flex flex-col gap-1">
          Sugar, g / 100 ml
          <Figure value={sugar} most={150} onChange={setSugar} placeholder="if it tells" />
        </label>
        {classes.length > 0 ? (
          <label className="flex flex-col gap-1">
            or its word for it
            <select
              className="select select-lg w-full"
              value={sweetness}
              disabled={sugar !== ''}
              onChange={(event) => setSweetness(event.target.value)}
            >
              <option value="">not told</option>
              {classes.map((each) => (
                <option key={each}>{each}</option>
              ))}
            </select>
          </label>
        ) : (
          <span />
        )}
        <label className="flex flex-col gap-1">
          Acid, g / 100 ml
          <Figure value={acid} most={60} onChange={setAcid} placeholder="if it tells" />
        </label>
        <label className="flex flex-col gap-1">
          Price of a litre
          <Figure value={price} most={10000} onChange={setPrice} placeholder="if you like" />
        </label>
        <label className="flex flex-col gap-1 sm:col-span-2">
          Most like
          <select className="select select-lg w-full" value={like} onChange={(event) => setLike(event.target.value)}>
            <option value="">nothing that is here: the middle of its kind</option>
            {kin.map(({ slug, name: called }) => (
              <option key={slug} value={slug}>
                {called}
              </option>
            ))}
          </select>
          <span className="text-base text-quiet">
            It lends what no label tells: kinds of sugar and acid, smell, colour, what it is poured as.
          </span>
        </label>
        {add.error && (
          <p role="alert" className="text-error sm:col-span-2">
            {capital(add.error.message)}.
          </p>
        )}
      </form>
    </Dialog>
  );
}

interface FigureProps {
  id?: string;
  value: string;
  most: number;
  placeholder?: string;
  onChange: (value: string) => void;
}

function Figure({ id, value, most, placeholder = '', onChange }: FigureProps) {
  return (
    <input
      id={id}
      type="number"
      min={0}
      max={most}
      step="any"
      inputMode="decimal"
      placeholder={placeholder}
      className="input input-lg w-full font-figure"
      value={value}
      onChange={(event) => onChange(event.target.value)}
    />
  );
}

function number(text: string): number | null {
  return text === '' ? null : Number(text);
}
