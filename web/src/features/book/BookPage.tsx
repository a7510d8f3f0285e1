import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';

import type { DrinkSummary, Family, Sought } from '../../api/client';
import { drinksQuery } from '../../api/queries/drinks';
import { familiesQuery, larderQuery } from '../../api/queries/house';
import { TopBar } from '../../shell/TopBar';
import { Waiting } from '../../shell/Waiting';
import { namesIn, type NameOf } from '../../spec/names';
import { SearchLine } from '../../ui/SearchLine';
import { DemoNotice } from './DemoNotice';
import { StartDrink } from './StartDrink';
import { Seek } from './Seek';

/** Every drink of the house, and where a new one starts. */
export function BookPage() {
  const [words, setWords] = useState('');
  const [besides, setBesides] = useState<Sought>({});
  const q = words.trim();
  const sought = { ...besides, ...(q && { q }) };
  const seeking = Object.keys(sought).length > 0;
  const drinks = useQuery(drinksQuery(sought));
  const families = useQuery(familiesQuery());
  const larder = useQuery(larderQuery());
  if (!drinks.data || !families.data) return <Waiting error={drinks.error ?? families.error} />;
  const nameOf = namesIn(larder.data);
  return (
    <div className="mx-auto flex min-h-dvh max-w-[1400px] flex-col gap-4 p-3 sm:p-4">
      <TopBar />
      <main className="grid grow items-start gap-4 lg:grid-cols-[1fr_420px]">
        <section aria-labelledby="book-heading" className="order-1">
          <DemoNotice />
          <div className="mb-3 flex flex-wrap items-center gap-3">
            <h1 id="book-heading" className="grow font-display text-3xl font-semibold">
              The book
            </h1>
            {(drinks.data.length > 0 || seeking) && (
              <SearchLine
                className="input-lg w-full sm:w-96"
                label="Search the book"
                placeholder="A name, an ingredient, a taster, a word"
                value={words}
                onWords={setWords}
              />
            )}
          </div>
          {(drinks.data.length > 0 || seeking) && <Seek sought={besides} onSeek={setBesides} />}
          {drinks.data.length === 0 && seeking ? (
            <p role="status" className="panel max-w-prose p-6 text-lg">
              {q
                ? `No drink of the book has “${q}” in its name, its trials, its pours or its sheets. Try one word of it.`
                : 'No drink of the book has all of that. Ask for less.'}
            </p>
          ) : drinks.data.length === 0 ? (
            <p className="panel max-w-prose p-6 text-lg">
              No drink is written down yet. Choose a family and a school of proportion: it comes to the bench as the
              parent, and every change you make is told against it.
            </p>
          ) : (
            families.data.map((family) => (
              <FamilyShelf
                key={family.slug}
                family={family}
                drinks={drinks.data.filter((drink) => drink.family === family.slug)}
                nameOf={nameOf}
              />
            ))
          )}
        </section>
        <StartDrink families={families.data} first={drinks.data.length === 0 && !seeking} nameOf={nameOf} />
      </main>
    </div>
  );
}

interface ShelfProps {
  family: Family;
  drinks: DrinkSummary[];
  nameOf: NameOf;
}

function FamilyShelf({ family, drinks, nameOf }: ShelfProps) {
  if (drinks.length === 0) return null;
  return (
    <section aria-label={family.name} className="mb-6">
      <h2 className="mb-2 flex items-baseline gap-3 font-display text-xl font-semibold">
        {family.name} <span className="font-sans text-base font-normal text-quiet">{family.words}</span>
      </h2>
      <ul className="grid gap-3 sm:grid-cols-2">
        {drinks.map((drink) => (
          <li key={drink.id}>
            <Link
              to={`/bench/${drink.id}`}
              className="panel flex h-full flex-col gap-1 p-4 transition-colors hover:bg-secondary focus-visible:bg-secondary"
            >
              <span className="flex items-baseline justify-between gap-2">
                <span className="font-display text-xl font-semibold">{drink.name}</span>
                {drink.has_draft && (
                  <span className="rounded-full bg-accent px-2.5 py-0.5 text-sm text-accent-content">on the bench</span>
                )}
              </span>
              <span className="text-quiet">{drink.ingredients.map((slug) => nameOf(slug)).join(' · ')}</span>
              <span className="mt-auto pt-2">
                Trial {drink.trials}: <strong className="font-semibold">{drink.latest_trial}</strong>
              </span>
              <span className="text-quiet">{drink.latest_reason}</span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
