import { useQuery } from '@tanstack/react-query';
import { Link, useSearchParams } from 'react-router';

import { type DrinkSummary, larderQuery, newestQuery, notebookQuery } from '@/api';
import { LoadingOrError, PageHeader } from '@/ui';
import { namesIn } from '@/spec';
import { useDocumentTitle } from '@/hooks';
import { NextTrialPanel } from './NextTrialPanel';

/** What to try next for each drink, by its tasting notes. */
export function NextTrialsPage() {
  const { data, error } = useQuery(newestQuery());
  const [query] = useSearchParams();
  useDocumentTitle('What to try next');
  if (!data) return <LoadingOrError error={error} />;
  const tastedFirst = [...data.filter(isTasted), ...data.filter((drink) => !isTasted(drink))];
  const open = data.find(({ id }) => id === Number(query.get('drink'))) ?? tastedFirst[0];
  return (
    <div className="page-body">
      <PageHeader />
      <main className="grid items-start gap-4 lg:grid-cols-[300px_minmax(0,1fr)]">
        {open ? (
          <>
            <Drinks drinks={tastedFirst} open={open} />
            <NextOfDrink drink={open} />
          </>
        ) : (
          <p className="panel max-w-prose p-4 text-lg">
            Taste a drink first: its tasting notes become the next trial.{' '}
            <Link className="link" to="/recipes">
              Start a drink
            </Link>
          </p>
        )}
      </main>
    </div>
  );
}

const isTasted = ({ latest_notes }: DrinkSummary) => latest_notes > 0;

function Drinks({ drinks, open }: { drinks: DrinkSummary[]; open: DrinkSummary }) {
  return (
    <nav aria-label="Drinks" className="panel p-2">
      <ul className="flex flex-col gap-1">
        {drinks.map((drink) => (
          <li key={drink.id}>
            <Link
              to={`/tasting/next?drink=${drink.id}`}
              replace
              aria-current={drink === open ? 'true' : undefined}
              className="flex min-h-11 flex-col justify-center rounded-xl px-3 py-1 hover:bg-secondary aria-[current=true]:bg-secondary"
            >
              <span className="text-lg font-semibold">{drink.name}</span>
              <span className="text-quiet">{isTasted(drink) ? `trial ${drink.trials} tasted` : 'not tasted yet'}</span>
            </Link>
          </li>
        ))}
      </ul>
    </nav>
  );
}

function NextOfDrink({ drink: { id, name } }: { drink: DrinkSummary }) {
  const notebook = useQuery(notebookQuery(id));
  const larder = useQuery(larderQuery());
  if (!notebook.data || !larder.data) return <p className="p-4 text-quiet">Searching…</p>;
  const trials = notebook.data.trials.filter(({ mark }) => mark !== 'hidden');
  const answered = trials.toReversed().find(({ sheets }) => sheets.length > 0);
  return (
    <NextTrialPanel drinkId={id} trial={answered} last={trials.at(-1)} nameOf={namesIn(larder.data)} heading={name} />
  );
}
