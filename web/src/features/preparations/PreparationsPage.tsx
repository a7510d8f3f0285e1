import { useQuery } from '@tanstack/react-query';
import { Plus } from 'lucide-react';
import { Link } from 'react-router';

import { preparationsQuery, type PreparationSummary } from '@/api';
import { capital, plainNumber } from '@/lib';
import { useDocumentTitle, useSettings, useWithVolumes } from '@/hooks';
import { LoadingOrError, PageHeader } from '@/ui';
import { AdjustPanel } from './AdjustPanel';

/** What the house cooks, infuses, thins and mixes: each with what it comes to and what is left of it. */
export function PreparationsPage() {
  const { supposed } = useSettings();
  const { data, error } = useQuery(preparationsQuery(supposed));
  useDocumentTitle('Prep');
  if (!data) return <LoadingOrError error={error} />;
  return (
    <div className="page-body">
      <PageHeader
        actions={
          <Link to="/ingredients/prep/new" className="btn btn-primary min-h-11 gap-2 text-base">
            <Plus size={20} aria-hidden /> New recipe
          </Link>
        }
      />
      <main className="flex flex-col gap-4">
        {data.length === 0 ? (
          <p className="panel max-w-prose p-5 text-lg">
            Syrups, cordials, infusions, saline and adjusted juice. Write a recipe by weight or by the cup, and log each
            batch you make.
          </p>
        ) : (
          <ul className="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
            {data.map((item) => (
              <PreparationCard key={item.makes.slug} preparation={item} />
            ))}
          </ul>
        )}
        <AdjustPanel />
      </main>
    </div>
  );
}

function PreparationCard({ preparation }: { preparation: PreparationSummary }) {
  const inUnit = useWithVolumes();
  const { makes, kind, report, fault, left_ml, par_ml, drinks } = preparation;
  const short = left_ml !== null && par_ml !== null && left_ml < par_ml;
  return (
    <li>
      <Link
        to={`/ingredients/prep/${makes.slug}`}
        className="panel flex h-full flex-col gap-1 p-4 text-lg hover:bg-secondary focus-visible:bg-secondary"
      >
        <span className="font-display text-xl font-semibold">{makes.name}</span>
        <span className="text-base text-quiet">
          {capital(kind)}, in {drinks || 'no'} {drinks < 2 ? 'drink' : 'drinks'} on the menu
        </span>
        {report ? (
          <span>
            <span className="text-2xl font-semibold">{plainNumber(report.brix, 0)} °Bx</span>{' '}
            <span className="text-base text-quiet">
              keeps about {report.keeps_days} {report.keeps_days === 1 ? 'day' : 'days'}
            </span>
          </span>
        ) : (
          <span className="text-error">{capital(fault)}.</span>
        )}
        <span className={`mt-auto ${short ? 'text-warning' : 'text-quiet'}`}>
          {left_ml === null ? 'None open' : inUnit(`${plainNumber(left_ml, 0)} ml left`)}
          {par_ml !== null && inUnit(`, par ${plainNumber(par_ml, 0)} ml`)}
        </span>
      </Link>
    </li>
  );
}
