import { ClipboardPaste, Download } from 'lucide-react';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';

import { bookCount, bookPages, familiesQuery, larderQuery, ProblemError } from '@/api';
import type { BookFilters, DrinkSummary, Family } from '@/api';
import { Button, IconButton, LoadingOrError, Notice, PageHeader, SearchField } from '@/ui';
import { type NameOf, namesIn } from '@/spec';
import { useLastDefined } from '@/hooks';
import { ExportBook } from '@/features/export';
import { DemoNotice } from './DemoNotice';
import { NewDrink } from './NewDrink';
import { ExportRecipe } from './ExportRecipe';
import { useFileDrop } from './useFileDrop';
import { EmptyBook } from './EmptyBook';
import { RecipeFilters } from './RecipeFilters';

/** Every drink of the house, and where a new one starts. */
export function RecipesPage() {
  const [words, setWords] = useState('');
  const [besides, setBesides] = useState<BookFilters>({});
  const q = words.trim();
  const sought = { ...besides, ...(q && { q }) };
  const seeking = Object.keys(sought).length > 0;
  const dropped = useFileDrop();
  const pages = useInfiniteQuery(bookPages(sought));
  const count = useLastDefined(useQuery(bookCount(sought)).data);
  const families = useQuery(familiesQuery());
  const larder = useQuery(larderQuery());
  // What was found last stays in sight while the server doesn't answer.
  const drinks = useLastDefined(pages.data)?.pages.flat();
  if (!drinks || !families.data)
    return <LoadingOrError error={pages.error instanceof ProblemError ? pages.error : families.error} />;
  const nameOf = namesIn(larder.data);
  const isEmpty = drinks.length === 0 && !seeking;
  return (
    <div className="page-body" onDragOver={(event) => event.preventDefault()} onDrop={dropped.drop}>
      <PageHeader actions={<BookActions isEmpty={isEmpty} found={seeking ? drinks.map(({ id }) => id) : []} />} />
      {dropped.refusal && <Notice text={dropped.refusal} />}
      <main className="grid grow items-start gap-4 lg:grid-cols-[minmax(0,1fr)_420px]">
        <section aria-label="Drinks" className="order-1 min-w-0">
          <DemoNotice />
          <div className="mb-3 flex flex-wrap items-center gap-3">
            {!isEmpty && (
              <SearchField
                className="input-lg w-full sm:w-96"
                label="Search recipes"
                placeholder="Drink, ingredient, taster or word"
                value={words}
                onWords={setWords}
              />
            )}
          </div>
          {!isEmpty && <RecipeFilters sought={besides} onSeek={setBesides} />}
          {drinks.length === 0 && <NoDrinks q={q} seeking={seeking} />}
          {families.data.map((family) => (
            <FamilyShelf
              key={family.slug}
              family={family}
              drinks={drinks.filter((drink) => drink.family === family.slug)}
              nameOf={nameOf}
            />
          ))}
          {drinks.length > 0 && count && (
            <ResultCount
              shown={drinks.length}
              all={count.drinks}
              seeking={seeking}
              busy={pages.isFetchingNextPage}
              onMore={pages.hasNextPage ? () => void pages.fetchNextPage() : undefined}
            />
          )}
        </section>
        <NewDrink families={families.data} first={isEmpty} nameOf={nameOf} />
      </main>
    </div>
  );
}

interface ActionsProps {
  isEmpty: boolean;
  /** The drinks that were sought and found; none where the whole book is looked at. */
  found: number[];
}

/** Ways into the book and out of it. */
function BookActions({ isEmpty, found }: ActionsProps) {
  const [taking, setTaking] = useState(false);
  return (
    <>
      <Link to="/paste" className="btn btn-primary min-h-11 gap-2 text-base">
        <ClipboardPaste size={20} aria-hidden /> Paste a recipe
      </Link>
      {!isEmpty && <IconButton icon={Download} label="Export everything" word onClick={() => setTaking(true)} />}
      {taking && <ExportBook drinks={found} onClose={() => setTaking(false)} />}
    </>
  );
}

function NoDrinks({ q, seeking }: { q: string; seeking: boolean }) {
  if (!seeking) return <EmptyBook />;
  return (
    <p role="status" className="panel max-w-prose p-6 text-lg wrap-anywhere">
      {q
        ? `No drink matches “${q}”. Names, ingredients, notes and tasters were searched: try a single word.`
        : 'No drink matches all of that. Remove a filter.'}
    </p>
  );
}

interface ResultCountProps {
  shown: number;
  all: number;
  seeking: boolean;
  busy: boolean;
  /** Undefined where all are shown. */
  onMore: (() => void) | undefined;
}

/** Where the list ends, and the rest of it. */
function ResultCount({ shown, all, seeking, busy, onMore }: ResultCountProps) {
  const drinks = `${all} ${all === 1 ? 'drink' : 'drinks'}${seeking ? ' found' : ''}`;
  return (
    <p className="flex flex-wrap items-center gap-3 text-quiet" role="status">
      {onMore ? `${shown} of ${drinks}, newest first.` : `${drinks}, newest first.`}
      {onMore && (
        <Button disabled={busy} onClick={onMore}>
          Show older drinks
        </Button>
      )}
    </p>
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
          <li key={drink.id} className="relative">
            <ExportRecipe id={drink.id} name={drink.name} />
            <Link
              to={`/bench/${drink.id}`}
              className="panel flex h-full min-w-0 flex-col gap-1 p-4 wrap-anywhere transition-colors hover:bg-secondary focus-visible:bg-secondary"
            >
              <span className="flex items-baseline justify-between gap-2 pr-11">
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
