import { useQuery } from '@tanstack/react-query';
import { Plus, Search } from 'lucide-react';
import { useEffect, useState } from 'react';

import type { Ingredient, ShelfState } from '../../api/client';
import { capital, grams, plain } from '../../lib/format';
import { TopBar } from '../../shell/TopBar';
import { Waiting } from '../../shell/Waiting';
import { larderQuery } from '../../api/queries/larder';
import { AddBottle } from './AddBottle';
import { TastePart } from './TastePart';
import { shelfQuery, useRemoveBottle, useShelve } from '../../api/queries/shelf';

const STATES: [ShelfState, string][] = [
  ['at hand', 'At hand'],
  ['low', 'Low'],
  ['out', 'Out'],
];

type Shelved = { state: ShelfState; price: number | null };

/** What the house has: at hand, low or out, and what it costs; a bottle is added from its label. */
export function ShelfPage() {
  const larder = useQuery(larderQuery());
  const shelf = useQuery(shelfQuery());
  const shelve = useShelve();
  const remove = useRemoveBottle();
  const [words, setWords] = useState('');
  const [adding, setAdding] = useState(false);
  const [added, setAdded] = useState<string | null>(null);
  useEffect(() => {
    document.title = 'My shelf · Oenomel';
    return () => {
      document.title = 'Oenomel';
    };
  }, []);
  if (!larder.data || !shelf.data) return <Waiting error={larder.error ?? shelf.error} />;

  const shelved = new Map(
    shelf.data.map(({ slug, state, price_per_litre }) => [slug, { state, price: price_per_litre } satisfies Shelved]),
  );
  const sought = words.trim().toLowerCase();
  const found = larder.data.filter(({ name, kind }) => `${name} ${kind}`.toLowerCase().includes(sought));
  const groups = [
    { title: 'On the shelf', members: found.filter(({ slug }) => shelved.has(slug)) },
    { title: 'In the larder, not on the shelf', members: found.filter(({ slug }) => !shelved.has(slug)) },
  ];
  return (
    <div className="mx-auto flex min-h-dvh max-w-[1100px] flex-col gap-4 p-3 sm:p-4">
      <TopBar
        actions={
          <button type="button" className="btn btn-primary min-h-11 gap-2 text-base" onClick={() => setAdding(true)}>
            <Plus size={20} aria-hidden /> Add a bottle
          </button>
        }
      />
      <main className="flex flex-col gap-3">
        <h1 className="font-display text-3xl font-semibold">My shelf</h1>
        {shelved.size === 0 && (
          <p className="panel max-w-prose p-4 text-lg">
            Nothing is marked yet. Mark what stands at your bar, or add a bottle from its label: swaps can then keep to
            what is at hand.
          </p>
        )}
        {added && (
          <p role="status" className="panel max-w-prose p-4 text-lg">
            {added} is on the shelf. What its label didn’t tell is estimated from its kind, and counts as less sure.
          </p>
        )}
        {(shelve.error ?? remove.error) && (
          <p role="alert" className="panel max-w-prose p-4 text-lg">
            {(shelve.error ?? remove.error)?.message}.
          </p>
        )}
        <label className="input input-lg w-full max-w-md">
          <Search size={20} aria-hidden className="text-quiet" />
          <input
            type="search"
            aria-label="Search my shelf"
            placeholder="Search by name or kind"
            value={words}
            maxLength={100}
            onChange={(event) => setWords(event.target.value)}
          />
        </label>
        {found.length === 0 && <p>Nothing is called “{words.trim()}”. Add it from its label.</p>}
        {groups.map(
          ({ title, members }) =>
            members.length > 0 && (
              <section key={title} aria-label={title} className="panel p-2 sm:p-3">
                <h2 className="px-2 font-display text-xl font-semibold">
                  {title} <span className="font-sans text-base font-normal text-quiet">{members.length}</span>
                </h2>
                <ul className="divide-y divide-base-300">
                  {members.map((ingredient) => (
                    <ShelfRow
                      key={ingredient.slug}
                      ingredient={ingredient}
                      shelved={shelved.get(ingredient.slug)}
                      onRemove={() => remove.mutate(ingredient.slug)}
                      onShelve={(state, price) => shelve.mutate({ slug: ingredient.slug, state, price })}
                    />
                  ))}
                </ul>
              </section>
            ),
        )}
      </main>
      {adding && (
        <AddBottle
          larder={larder.data}
          onAdded={(name) => {
            setAdded(name);
            setAdding(false);
          }}
          onClose={() => setAdding(false)}
        />
      )}
    </div>
  );
}

interface RowProps {
  ingredient: Ingredient;
  shelved: Shelved | undefined;
  onShelve: (state: ShelfState, price: number | null) => void;
  /** Out of the larder altogether: for a bottle that was added by mistake. */
  onRemove: () => void;
}

function ShelfRow({ ingredient, shelved, onShelve, onRemove }: RowProps) {
  const { name, kind, abv, sugar, acid } = ingredient;
  const [tasting, setTasting] = useState(false);
  const levels = [
    abv > 0 && `${plain(abv, 1)} %`,
    sugar >= 0.5 && `${grams(sugar)} g sugar`,
    acid >= 0.05 && `${grams(acid)} g acid`,
  ].filter(Boolean);
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1 px-2 py-2">
      <span className="min-w-0 grow basis-60">
        <span className="block text-lg leading-tight font-semibold">{name}</span>
        <span className="block text-base text-quiet">{[capital(kind), ...levels].join(', ')}</span>
      </span>
      <button
        type="button"
        className="btn btn-ghost min-h-11 px-3 text-base font-normal"
        aria-label={`Taste ${name} alone`}
        onClick={() => setTasting(true)}
      >
        Taste
      </button>
      {tasting && <TastePart ingredient={ingredient} onClose={() => setTasting(false)} />}
      {ingredient.origin === 'house' && (
        <button
          type="button"
          className="btn btn-ghost min-h-11 px-3 text-base font-normal"
          aria-label={`Remove ${name}`}
          onClick={onRemove}
        >
          Remove
        </button>
      )}
      {shelved && (
        <label className="flex items-center gap-2 text-base text-quiet">
          a litre
          <input
            key={shelved.price}
            type="number"
            min={0}
            max={10000}
            step="any"
            aria-label={`Price of a litre of ${name}`}
            placeholder="price"
            className="input min-h-11 w-24 font-figure text-base text-base-content"
            defaultValue={shelved.price ?? ''}
            onBlur={({ target }) => {
              const price = target.value === '' ? null : Number(target.value);
              if (price !== shelved.price) onShelve(shelved.state, price);
            }}
          />
        </label>
      )}
      <span role="group" aria-label={`How ${name} stands`} className="flex gap-1">
        {STATES.map(([state, words]) => {
          const on = shelved?.state === state;
          return (
            <button
              key={state}
              type="button"
              aria-pressed={on}
              title={on ? 'Take it off the shelf' : undefined}
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
