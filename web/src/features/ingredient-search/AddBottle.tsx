import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { larderQuery, type Label, sweetnessQuery, useAddBottle } from '@/api';
import { capital } from '@/lib';
import { Button, Dialog, ErrorMessage, FormField, NumberField, Select, TextField } from '@/ui';

interface Props {
  /** What is known of it already. */
  told?: Partial<Pick<Label, 'name' | 'kind'>>;
  onAdded: (name: string, slug: string) => void;
  onClose: () => void;
}

const LARGE = 'select-lg w-full';
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

/** What was read off a label; null where it doesn't tell. */
interface Typed {
  name: string;
  kind: Label['kind'];
  strength: number | null;
  asProof: boolean;
  sugar: number | null;
  /** Its own word for its sweetness, where it tells no grams. */
  sweetness: string;
  acid: number | null;
  like: string;
  price: number | null;
}

const BLANK: Typed = {
  name: '',
  kind: 'spirit',
  strength: null,
  asProof: false,
  sugar: null,
  sweetness: '',
  acid: null,
  like: '',
  price: null,
};

/** A bottle from its label: its name, its kind, how strong; the rest where the label tells it. */
export function AddBottle({ told, onAdded, onClose }: Props) {
  const [typed, setTyped] = useState<Typed>({ ...BLANK, ...told });
  const add = useAddBottle();
  const tell = (change: Partial<Typed>) => setTyped({ ...typed, ...change });
  const { data: larder = [] } = useQuery(larderQuery());
  const alike = larder.filter(({ kind }) => kind === typed.kind);
  return (
    <Dialog
      heading="New bottle from its label"
      onClose={onClose}
      onSubmit={() =>
        add.mutate({ body: labelOf(typed) }, { onSuccess: (bottle) => onAdded(bottle.name, bottle.slug) })
      }
      actions={
        <Button type="submit" look="accent" large disabled={!typed.name.trim() || add.isPending}>
          Add to stock
        </Button>
      }
    >
      <div className="grid gap-3 text-lg sm:grid-cols-2">
        <TextField
          autoFocus
          className="sm:col-span-2"
          label="Name"
          value={typed.name}
          onWrite={(name) => tell({ name })}
        />
        <Composition typed={typed} onTell={tell} />
        <FormField label="Price per litre">
          <NumberField value={typed.price} most={10000} onFigure={(price) => tell({ price })} placeholder="optional" />
        </FormField>
        <FormField label="Most like" wide>
          <Select
            className={LARGE}
            value={typed.like}
            options={[
              ['', 'nothing listed: the average of its kind'],
              ...alike.map(({ slug, name }): [string, string] => [slug, name]),
            ]}
            onPick={(like) => tell({ like })}
          />
          <span className="text-base text-quiet">
            What no label shows is taken from it: kinds of sugar and acid, aroma, colour, role.
          </span>
        </FormField>
        <ErrorMessage fault={add.error} className="text-error sm:col-span-2" />
      </div>
    </Dialog>
  );
}

interface CompositionProps {
  typed: Typed;
  onTell: (change: Partial<Typed>) => void;
}

/** What is in it, as far as the label tells: kind, strength, sugar, acid. */
function Composition({ typed, onTell }: CompositionProps) {
  const { kind, asProof, sugar } = typed;
  const classes = useQuery(sweetnessQuery()).data?.[kind] ?? [];
  return (
    <>
      <FormField label="Kind">
        <Select
          className={LARGE}
          value={kind}
          options={KINDS.map((item) => [item, capital(item)])}
          onPick={(chosen) => onTell({ kind: chosen, sweetness: '', like: '' })}
        />
      </FormField>
      <div className="flex flex-col gap-1">
        <label htmlFor="bottle-strength">Strength</label>
        <span className="flex gap-1">
          <NumberField
            id="bottle-strength"
            value={typed.strength}
            most={asProof ? 200 : 100}
            unit={asProof ? 'proof' : '%( vol| abv)?'}
            onFigure={(strength) => onTell({ strength })}
          />
          {(['%', 'proof'] as const).map((unit) => (
            <button
              key={unit}
              type="button"
              aria-pressed={asProof === (unit === 'proof')}
              className={`btn btn-lg px-3 font-normal ${asProof === (unit === 'proof') ? 'btn-secondary' : 'btn-ghost border-base-300'}`}
              onClick={() => onTell({ asProof: unit === 'proof' })}
            >
              {unit}
            </button>
          ))}
        </span>
      </div>
      <FormField label="Sugar, g/100 ml">
        <NumberField
          value={sugar}
          most={150}
          unit="g"
          onFigure={(told) => onTell({ sugar: told })}
          placeholder="if given"
        />
      </FormField>
      {classes.length > 0 ? (
        <FormField label="or in words">
          <Select
            className={LARGE}
            value={typed.sweetness}
            disabled={sugar !== null}
            options={[['', 'not given'], ...classes.map((each): [string, string] => [each, each])]}
            onPick={(sweetness) => onTell({ sweetness })}
          />
        </FormField>
      ) : (
        <span />
      )}
      <FormField label="Acid, g/100 ml">
        <NumberField
          value={typed.acid}
          most={60}
          unit="g"
          onFigure={(acid) => onTell({ acid })}
          placeholder="if given"
        />
      </FormField>
    </>
  );
}

function labelOf({ name, kind, strength, asProof, sugar, sweetness, acid, like, price }: Typed): Label {
  return {
    name: name.trim(),
    kind,
    [asProof ? 'proof' : 'abv']: strength,
    sugar,
    acid,
    sweetness: sugar === null ? sweetness : '',
    like,
    state: 'at hand',
    price_per_litre: price,
  };
}
