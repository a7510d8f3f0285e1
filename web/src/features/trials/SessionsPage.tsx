import { useQuery } from '@tanstack/react-query';
import { GlassWater } from 'lucide-react';
import { Link } from 'react-router';

import { type DrinkSummary, newestQuery } from '@/api';
import { LoadingOrError, PageHeader } from '@/ui';
import { useDocumentTitle } from '@/hooks';
import { readFlight } from './useFlight';

/** The drinks whose newest trial can be tasted: those under way first, then those without a tasting note. */
export function SessionsPage() {
  const { data, error } = useQuery(newestQuery());
  useDocumentTitle('Sessions');
  if (!data) return <LoadingOrError error={error} />;
  const underWay = data.filter(({ id }) => readFlight(id) !== null);
  const rest = data.filter((drink) => !underWay.includes(drink));
  return (
    <div className="page-body">
      <PageHeader />
      <main className="flex flex-col gap-5">
        {data.length === 0 && (
          <p className="panel max-w-prose p-4 text-lg">
            Nothing to taste yet.{' '}
            <Link className="link" to="/recipes">
              Start a drink
            </Link>
          </p>
        )}
        <Group title="In progress" drinks={underWay} action="Continue" />
        <Group title="Not tasted yet" drinks={rest.filter(({ latest_notes }) => latest_notes === 0)} action="Taste" />
        <Group title="Tasted" drinks={rest.filter(({ latest_notes }) => latest_notes > 0)} action="Taste again" />
      </main>
    </div>
  );
}

interface GroupProps {
  title: string;
  drinks: DrinkSummary[];
  /** What the press of a card does. */
  action: string;
}

function Group({ title, drinks, action }: GroupProps) {
  if (drinks.length === 0) return null;
  return (
    <section aria-label={title}>
      <h2 className="mb-2 font-display text-xl font-semibold">{title}</h2>
      <ul className="grid gap-3 sm:grid-cols-2 xl:grid-cols-3">
        {drinks.map((drink) => (
          <li key={drink.id}>
            <Link
              to={`/taste/${drink.id}?trial=${drink.trials}`}
              className="panel flex h-full items-center gap-3 p-4 hover:bg-secondary focus-visible:bg-secondary"
            >
              <span className="min-w-0 grow">
                <span className="block font-display text-xl font-semibold">{drink.name}</span>
                <span className="block text-quiet">
                  Trial {drink.trials}: {drink.latest_trial}
                </span>
                {drink.latest_notes > 0 && (
                  <span className="block text-quiet">
                    {drink.latest_notes === 1 ? '1 tasting note' : `${drink.latest_notes} tasting notes`}
                  </span>
                )}
              </span>
              <span className="flex shrink-0 items-center gap-1.5 font-semibold">
                <GlassWater size={20} aria-hidden /> {action}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
