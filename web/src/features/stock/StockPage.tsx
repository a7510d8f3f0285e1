import { useQuery } from '@tanstack/react-query';
import { Plus } from 'lucide-react';
import { useState } from 'react';

import { type Ingredient, larderQuery, stockQuery, useRemoveBottle, useSetStock } from '@/api';
import { Button, ErrorMessage, LoadingOrError, PageHeader, SearchField } from '@/ui';
import { useDocumentTitle, useLastDefined } from '@/hooks';
import { AddBottle, NoMatch, useIngredientSearch } from '@/features/ingredient-search';
import { StockRow, type StockItem } from './StockRow';

/** What the house has: at hand, low or out, and what it costs; a bottle is added from its label. */
export function StockPage() {
  const larder = useQuery(larderQuery());
  const shelf = useQuery(stockQuery());
  const [adding, setAdding] = useState(false);
  const [added, setAdded] = useState<string | null>(null);
  useDocumentTitle('Stock');
  if (!larder.data || !shelf.data) return <LoadingOrError error={larder.error ?? shelf.error} />;

  const shelved = new Map(
    shelf.data.map(({ slug, state, price_per_litre }) => [slug, { state, price: price_per_litre } satisfies StockItem]),
  );
  return (
    <div className="page-body">
      <PageHeader
        actions={
          <Button look="primary" className="gap-2" onClick={() => setAdding(true)}>
            <Plus size={20} aria-hidden /> New bottle
          </Button>
        }
      />
      <main className="flex flex-col gap-3">
        {shelved.size === 0 && (
          <p className="panel max-w-prose p-4 text-lg">
            Nothing is marked in stock yet. Mark your bottles, or add one from its label. Swaps can then use only these.
          </p>
        )}
        {added && (
          <p role="status" className="panel max-w-prose p-4 text-lg">
            {added} added to stock. What its label doesn’t show is an estimate.
          </p>
        )}
        <Bottles larder={larder.data} shelved={shelved} />
      </main>
      {adding && (
        <AddBottle
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

const ON_THE_SHELF = 'In stock';

interface BottlesProps {
  larder: Ingredient[];
  /** By slug. */
  shelved: Map<string, StockItem>;
}

/** The larder as far as it is sought: first what is on the shelf. */
function Bottles({ larder, shelved }: BottlesProps) {
  const shelve = useSetStock();
  const remove = useRemoveBottle();
  const [words, setWords] = useState('');
  const [all, setAll] = useState(shelved.size === 0);
  const refused = shelve.error ?? remove.error;
  const sought = useLastDefined(useIngredientSearch(words) ?? undefined);
  const place = (slug: string) => sought?.of.get(slug)?.place ?? 0;
  const found = words.trim()
    ? larder.filter(({ slug }) => sought?.of.has(slug)).sort((a, b) => place(a.slug) - place(b.slug))
    : larder;
  // Four hundred rows that nobody asked for are a long way down.
  const folds = (title: string) => title !== ON_THE_SHELF && !all && !words.trim();
  const groups = [
    { title: ON_THE_SHELF, members: found.filter(({ slug }) => shelved.has(slug)) },
    { title: 'Not in stock', members: found.filter(({ slug }) => !shelved.has(slug)) },
  ];
  return (
    <>
      <ErrorMessage fault={refused} className="panel max-w-prose p-4 text-lg" />
      <SearchField
        className="input-lg w-full max-w-md"
        label="Search stock"
        placeholder="Name, kind or aroma"
        value={words}
        onWords={setWords}
      />
      {found.length === 0 && sought?.isSettled && (
        <NoMatch words={words} where="among ingredients" onWords={setWords} />
      )}
      {groups.map(
        ({ title, members }) =>
          members.length > 0 && (
            <section key={title} aria-label={title} className="panel p-2 sm:p-3">
              <h2 className="px-2 font-display text-xl font-semibold">
                {title} <span className="font-sans text-base font-normal text-quiet">{members.length}</span>
              </h2>
              {folds(title) && (
                <Button className="m-2 border-base-300 font-normal" onClick={() => setAll(true)}>
                  Show all
                </Button>
              )}
              <ul className="divide-y divide-base-300">
                {(folds(title) ? [] : members).map((ingredient) => {
                  const params = { path: { slug: ingredient.slug } };
                  return (
                    <StockRow
                      key={ingredient.slug}
                      ingredient={ingredient}
                      by={words.trim() ? (sought?.of.get(ingredient.slug)?.by ?? '') : ''}
                      shelved={shelved.get(ingredient.slug)}
                      onRemove={() => remove.mutate({ params })}
                      onShelve={(state, price) => shelve.mutate({ params, body: { state, price_per_litre: price } })}
                    />
                  );
                })}
              </ul>
            </section>
          ),
      )}
    </>
  );
}
