import { useState } from 'react';

import type { Ingredient, StockState } from '@/api';
import { capital } from '@/lib';
import { levelWords } from '@/spec';
import { Button, NumberField } from '@/ui';
import { TasteIngredient } from './TasteIngredient';

const STATES: [StockState, string][] = [
  ['at hand', 'In stock'],
  ['low', 'Low'],
  ['out', 'Out'],
];

export interface StockItem {
  state: StockState;
  price: number | null;
}

interface Props {
  ingredient: Ingredient;
  /** The other name that it was found by, if it was. */
  by: string;
  shelved: StockItem | undefined;
  onShelve: (state: StockState, price: number | null) => void;
  /** Out of the larder altogether: for a bottle that was added by mistake. */
  onRemove: () => void;
}

/** An ingredient: how it stands, what a litre costs, and how it tastes alone. */
export function StockRow({ ingredient, by, shelved, onShelve, onRemove }: Props) {
  const { name, kind } = ingredient;
  const [tasting, setTasting] = useState(false);
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1 px-2 py-2">
      <span className="min-w-0 grow basis-60">
        <span className="block text-lg leading-tight font-semibold">
          {name} {by && <span className="font-normal text-quiet">· {by}</span>}
        </span>
        <span className="block text-base text-quiet">
          {[capital(kind), levelWords(ingredient)].filter(Boolean).join(', ')}
        </span>
      </span>
      <Button
        look="ghost"
        className="px-3 font-normal"
        aria-label={`Taste ${name} alone`}
        onClick={() => setTasting(true)}
      >
        Taste
      </Button>
      {tasting && <TasteIngredient ingredient={ingredient} onClose={() => setTasting(false)} />}
      {ingredient.origin === 'house' && (
        <Button look="ghost" className="px-3 font-normal" aria-label={`Remove ${name}`} onClick={onRemove}>
          Remove
        </Button>
      )}
      {shelved && (
        <label className="flex items-center gap-2 text-base text-quiet">
          per litre
          <NumberField
            most={10000}
            aria-label={`Price per litre of ${name}`}
            placeholder="price"
            className="input min-h-11 w-24 font-figure text-base text-base-content"
            value={shelved.price}
            onFigure={(price) => onShelve(shelved.state, price)}
          />
        </label>
      )}
      <span role="group" aria-label={`Stock of ${name}`} className="flex gap-1">
        {STATES.map(([state, words]) => {
          const on = shelved?.state === state;
          return (
            <button
              key={state}
              type="button"
              aria-pressed={on}
              title={on ? 'Remove from stock' : undefined}
              className={`btn min-h-11 px-3 text-base font-normal ${on ? 'btn-secondary' : 'btn-ghost border-base-300'}`}
              onClick={() => onShelve(on ? 'off' : state, shelved?.price ?? null)}
            >
              {words}
            </button>
          );
        })}
      </span>
    </li>
  );
}
