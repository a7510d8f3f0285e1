import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';

import { larderQuery, notebookQuery, sideBySideQuery, type TrialEntry, type TrialsReport } from '@/api';
import { useDocumentTitle, useSettings } from '@/hooks';
import { Button, LoadingOrError, PageHeader } from '@/ui';
import { type NameOf, namesIn } from '@/spec';
import { BriefPanel } from './BriefPanel';
import { ReadingsPanel } from './ReadingsPanel';
import { NextTrialPanel } from './NextTrialPanel';
import { SideBySideTable } from './SideBySideTable';
import { TrialCard } from './TrialCard';

const MOST = 4;

/** The trials of a drink: side by side, what was said and measured of them, and what to try next. */
export function TrialsPage() {
  const id = Number(useParams().drinkId);
  const { supposed } = useSettings();
  const notebook = useQuery(notebookQuery(id));
  const larder = useQuery(larderQuery());
  const view = useView(notebook.data?.trials ?? []);
  const { all, chosen } = view;
  const table = useQuery(
    sideBySideQuery(
      id,
      chosen.map((trial) => trial.id),
      supposed,
    ),
  );
  useDocumentTitle(notebook.data && `Trials of ${notebook.data.name}`);
  if (!notebook.data || !larder.data) return <LoadingOrError error={notebook.error ?? larder.error} />;

  const nameOf = namesIn(larder.data);
  // What was tasted last is what the next trial answers.
  const answered = chosen.toReversed().find(({ sheets }) => sheets.length > 0);
  const last = chosen.at(-1);
  return (
    <div className="page-body">
      <TrialsHeader drinkId={id} notebook={notebook.data} chosen={chosen} />
      <main className="grid min-w-0 grow items-start gap-3 lg:grid-cols-[310px_minmax(0,1fr)]">
        <section aria-label="Trials" className="flex min-w-0 flex-col gap-2">
          <div className="max-lg:order-last">
            <BriefPanel
              drinkId={id}
              brief={notebook.data.brief}
              revision={notebook.data.brief_revision}
              trials={chosen}
            />
          </div>
          <Cards drinkId={id} view={view} nameOf={nameOf} />
        </section>
        {/* On a phone what they differ in comes first, the cards to choose from after it. */}
        <div className="flex min-w-0 flex-col gap-3 max-lg:contents">
          {chosen.length > 1 && chosen.length <= MOST ? (
            <SideBySideTable trials={chosen} table={table.data} error={table.error} nameOf={nameOf} />
          ) : (
            <p className="panel p-5 text-lg">
              {all.length === 1
                ? 'One trial so far. Save another from the bench to compare them.'
                : 'Choose two to four trials to compare.'}
            </p>
          )}
          <NextTrialPanel drinkId={id} trial={answered} last={last} nameOf={nameOf} />
          {last && <ReadingsPanel drinkId={id} trial={last} />}
        </div>
      </main>
    </div>
  );
}

/** Which trials are in sight, and which of them are laid side by side: the newest two, where none was asked for. */
function useView(all: TrialEntry[]) {
  const [query, setQuery] = useSearchParams();
  const [showHidden, setShowHidden] = useState(false);
  const inView = all.filter(({ mark }) => showHidden || mark !== 'hidden');
  const asked = query
    .getAll('show')
    .map(Number)
    .flatMap((number) => all.filter((trial) => trial.number === number));
  const chosen = asked.length > 0 ? asked : inView.slice(-2);
  const toggle = (number: number) => {
    const now = chosen.map((trial) => trial.number);
    const then = now.includes(number) ? now.filter((value) => value !== number) : [...now, number].slice(-MOST);
    setQuery({ show: then.toSorted((a, b) => a - b).map(String) }, { replace: true });
  };
  return { all, inView, chosen, toggle, showHidden, setShowHidden };
}

function TrialsHeader({
  drinkId,
  notebook,
  chosen,
}: {
  drinkId: number;
  notebook: TrialsReport;
  chosen: TrialEntry[];
}) {
  const { name, family, trials, gathered } = notebook;
  const [first, second] = chosen;
  const sheet = `trial=${first?.number}${second ? `&beside=${second.number}` : ''}`;
  const flight = chosen.map(({ number }) => `trial=${number}`).join('&');
  return (
    <PageHeader
      actions={
        <>
          <Link className="btn btn-ghost min-h-11 border-base-300 text-base" to={`/bench/${drinkId}`}>
            To the bench
          </Link>
          <Link className="btn btn-ghost min-h-11 border-base-300 text-base" to={`/specs/${drinkId}`}>
            Other bars’ specs {gathered > 0 && gathered}
          </Link>
          {chosen.length > 0 && chosen.length < 3 && (
            <Link className="btn btn-ghost min-h-11 border-base-300 text-base" to={`/card/${drinkId}?${sheet}`}>
              Card
            </Link>
          )}
          <Link className="btn btn-primary min-h-11 text-base" to={`/taste/${drinkId}?${flight}`}>
            Taste {chosen.length === 1 ? 'it' : 'them'}
          </Link>
        </>
      }
    >
      <div className="min-w-0">
        <h1 className="truncate font-display text-2xl leading-tight font-semibold">{name}</h1>
        <p className="text-base text-quiet">
          {trials.length === 1 ? 'one trial' : `${trials.length} trials`}, {family}
        </p>
      </div>
    </PageHeader>
  );
}

interface CardsProps {
  drinkId: number;
  view: ReturnType<typeof useView>;
  nameOf: NameOf;
}

function Cards({ drinkId, view, nameOf }: CardsProps) {
  const { all, inView, chosen, toggle, showHidden, setShowHidden } = view;
  return (
    <>
      <ol className="grid gap-2 sm:grid-cols-2 lg:grid-cols-1">
        {inView.toReversed().map((trial) => (
          <TrialCard
            key={trial.id}
            drinkId={drinkId}
            trial={trial}
            nameOf={nameOf}
            chosen={chosen.includes(trial)}
            onToggle={() => toggle(trial.number)}
          />
        ))}
      </ol>
      {all.some(({ mark }) => mark === 'hidden') && (
        <Button look="ghost" onClick={() => setShowHidden(!showHidden)}>
          {showHidden ? 'Hide the hidden ones' : 'Show hidden'}
        </Button>
      )}
    </>
  );
}
