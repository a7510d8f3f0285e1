import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';

import type { NotebookTrial, Sheet, SheetEntry } from '../../api/client';
import { capital, plain } from '../../lib/format';
import { TopBar } from '../../shell/TopBar';
import { Waiting } from '../../shell/Waiting';
import { larderQuery } from '../../api/queries/larder';
import { pourFlight, readFlight, writeFlight, type Flight } from './flight';
import { StartFlight } from './StartFlight';
import { TastingSheet } from './TastingSheet';
import { notebookQuery, useKeepSheets, useTakeSheetBack } from '../../api/queries/notebook';

/** A tasting of one or more trials, blind or not: glass by glass, and revealed when all are scored. */
export function TastePage() {
  const id = Number(useParams().drinkId);
  const [query] = useSearchParams();
  const notebook = useQuery(notebookQuery(id));
  const larder = useQuery(larderQuery());
  const [flight, setFlight] = useState<Flight | null>(() => readFlight(id));
  const [at, setAt] = useState(() => Math.max(0, readFlight(id)?.glasses.findIndex(({ done }) => !done) ?? 0));
  const [kept, setKept] = useState<Sheet[] | null>(null);
  const [stopping, setStopping] = useState(false);
  const keep = useKeepSheets();
  useEffect(() => writeFlight(id, flight), [id, flight]);
  useEffect(() => {
    document.title = 'Tasting · Oenomel';
    return () => {
      document.title = 'Oenomel';
    };
  }, []);
  if (!notebook.data || !larder.data) return <Waiting error={notebook.error ?? larder.error} />;

  const { trials, name } = notebook.data;
  const names = new Map(larder.data.map(({ slug, name: called }) => [slug, called]));
  const trialOf = (trialId: number) => trials.find((trial) => trial.id === trialId);
  const glass = flight?.glasses[at];
  const trial = glass && trialOf(glass.trialId);
  const say = (change: Partial<SheetEntry>) =>
    setFlight(
      flight && {
        ...flight,
        glasses: flight.glasses.map((each, n) => (n === at ? { ...each, sheet: { ...each.sheet, ...change } } : each)),
      },
    );
  const finish = () => {
    if (!flight || !glass) return;
    const glasses = flight.glasses.map((each, n) => (n === at ? { ...each, done: true } : each));
    setFlight({ ...flight, glasses });
    const next = glasses.findIndex(({ done }) => !done);
    if (next >= 0) {
      setAt(next);
      globalThis.scrollTo({ top: 0 });
      return;
    }
    keep.mutate(
      glasses.map(({ sheet }) => sheet),
      {
        onSuccess: ({ sheets }) => {
          setFlight(null);
          setKept(sheets);
        },
      },
    );
  };
  const stop = () => {
    setStopping(false);
    setFlight(null);
    setAt(0);
  };
  const shown = query.getAll('trial').map(Number);
  return (
    <div className="mx-auto flex min-h-dvh max-w-[720px] flex-col gap-3 p-3">
      <TopBar>
        <div className="min-w-0">
          <h1 className="truncate font-display text-2xl leading-tight font-semibold">Tasting {name}</h1>
          <p className="text-base text-quiet">
            <Link className="underline decoration-dotted underline-offset-2" to={`/trials/${id}`}>
              Back to its trials
            </Link>
          </p>
        </div>
      </TopBar>
      <main className="flex flex-col gap-3">
        {kept ? (
          <Revealed
            drinkId={id}
            sheets={kept}
            trials={trials}
            onTakenBack={(gone) => setKept(kept.filter((sheet) => sheet.id !== gone))}
          />
        ) : !flight || !glass || !trial ? (
          <StartFlight
            trials={trials.filter(({ mark }) => mark !== 'hidden')}
            chosen={shown}
            onStart={(chosen, tasters, blind) => {
              setAt(0);
              setFlight(pourFlight(chosen, tasters, blind, Math.random));
            }}
          />
        ) : !flight.poured ? (
          <PourersKey flight={flight} trials={trials} onPoured={() => setFlight({ ...flight, poured: true })} />
        ) : (
          <>
            {trial.mark === 'hidden' && !flight.blind && (
              <p role="status" className="panel p-3 text-lg">
                Trial {trial.number} was put away in the meantime. Its sheet is kept with it all the same.
              </p>
            )}
            <section aria-label="Sheet" className="panel p-4">
              <div className="mb-3 flex items-baseline gap-3">
                <h2 className="grow font-display text-2xl leading-tight font-semibold">
                  {glass.sheet.taster}, {flight.blind ? `glass ${glass.letter}` : `trial ${trial.number}`}
                </h2>
                <span className="text-base text-quiet">
                  {at + 1} of {flight.glasses.length}
                </span>
              </div>
              <TastingSheet
                key={at}
                sheet={glass.sheet}
                pours={loudable(trial, flight.blind ? flight.glasses.map((each) => trialOf(each.trialId)) : [], names)}
                hasEdge={trial.spec.pours.some(({ stage }) => stage === 'rim')}
                onSay={say}
              />
            </section>
            {keep.error && (
              <p role="alert" className="panel border-warning p-3 text-lg">
                {capital(keep.error.message)}. Nothing is lost: the sheets stay here.
              </p>
            )}
            {stopping && (
              <div role="alert" className="panel flex flex-wrap items-center gap-2 border-warning p-3 text-lg">
                <span className="grow">What was said so far isn’t kept yet.</span>
                <button type="button" className="btn btn-primary min-h-11 text-base" onClick={() => setStopping(false)}>
                  Go on tasting
                </button>
                <button type="button" className="btn min-h-11 text-base font-normal" onClick={stop}>
                  Throw it away
                </button>
              </div>
            )}
            <div className="sticky bottom-0 flex gap-2 bg-base-200 py-2">
              {at > 0 && (
                <button type="button" className="btn btn-lg" onClick={() => setAt(at - 1)}>
                  Before
                </button>
              )}
              <button
                type="button"
                className="btn btn-ghost btn-lg border-base-300"
                onClick={() => (flight.glasses.some(({ sheet }) => said(sheet)) ? setStopping(true) : stop())}
              >
                Stop
              </button>
              <button
                type="button"
                className="btn btn-primary btn-lg grow"
                disabled={!said(glass.sheet) || keep.isPending}
                onClick={finish}
              >
                {flight.glasses.filter(({ done }, n) => !done && n !== at).length > 0
                  ? 'Next glass'
                  : flight.blind
                    ? 'Done: reveal'
                    : 'Keep the sheet'}
              </button>
            </div>
          </>
        )}
      </main>
    </div>
  );
}

/** Pours that may be called too loud. While it is blind, of all the trials together: a list of its own would tell the glass. */
function loudable(trial: NotebookTrial, all: (NotebookTrial | undefined)[], names: Map<string, string>) {
  const trials = all.length > 0 ? all.flatMap((each) => each ?? []) : [trial];
  const slugs = trials.flatMap(({ spec }) =>
    spec.pours.flatMap(({ ingredient, stage }) =>
      typeof ingredient === 'string' && stage !== 'rim' && stage !== 'garnish' ? [ingredient] : [],
    ),
  );
  return [...new Set(slugs)].toSorted().map((slug) => ({ slug, name: names.get(slug) ?? slug }));
}

function said(sheet: SheetEntry): boolean {
  const { sugar, acid, abv, body, score, loud, lacking, words } = sheet;
  return (
    [sugar, acid, abv, body, score].some((each) => each != null) ||
    Boolean(loud) ||
    lacking ||
    Object.values(words).some(Boolean)
  );
}

/** Which trial goes in which glass: for the pourer, before the tasters look. */
function PourersKey({ flight, trials, onPoured }: { flight: Flight; trials: NotebookTrial[]; onPoured: () => void }) {
  const tasters = [...new Set(flight.glasses.map(({ sheet }) => sheet.taster))];
  return (
    <section aria-label="For the pourer" className="panel p-4">
      <h2 className="font-display text-2xl font-semibold">For the pourer only</h2>
      <p className="mt-1 text-lg">Pour so, mark the glasses underneath, and hide this before the tasters look.</p>
      {tasters.map((taster) => (
        <p key={taster} className="mt-2 text-lg">
          <strong className="font-semibold">{taster}</strong>:{' '}
          {flight.glasses
            .filter(({ sheet }) => sheet.taster === taster)
            .map(({ letter, trialId }) => `glass ${letter} is trial ${trials.find(({ id }) => id === trialId)?.number}`)
            .join(', ')}
        </p>
      ))}
      <button type="button" className="btn btn-primary btn-lg mt-4" onClick={onPoured}>
        Poured: hide the key
      </button>
    </section>
  );
}

interface RevealedProps {
  drinkId: number;
  sheets: Sheet[];
  trials: NotebookTrial[];
  /** A sheet that was filled by mistake is gone again. */
  onTakenBack: (id: number) => void;
}

/** What was said of which trial, now that the names are shown. */
function Revealed({ drinkId, sheets, trials, onTakenBack }: RevealedProps) {
  const back = useTakeSheetBack();
  const tasted = trials.filter(({ id }) => sheets.some(({ trial_id }) => trial_id === id));
  return (
    <section aria-label="Revealed" className="panel p-4">
      <h2 className="font-display text-2xl font-semibold">
        {sheets.length === 0 ? 'Taken back' : sheets.length === 1 ? 'The sheet is kept' : 'Revealed'}
      </h2>
      {tasted.map((trial) => (
        <div key={trial.id} className="mt-3 border-t border-base-300 pt-2">
          <h3 className="text-xl font-semibold">
            Trial {trial.number}, {trial.name}
          </h3>
          {sheets
            .filter(({ trial_id }) => trial_id === trial.id)
            .map((sheet) => (
              <div key={sheet.id} className="flex items-center gap-2 text-lg">
                <p className="grow">
                  <strong className="font-semibold">{sheet.taster}</strong>: {sheet.verdict || 'in words'}
                  {sheet.score != null && `, ${plain(sheet.score, 1)} of 10`}
                </p>
                <button
                  type="button"
                  className="btn btn-ghost min-h-11 text-base font-normal"
                  aria-label={`Take back ${sheet.taster}’s sheet of trial ${trial.number}`}
                  disabled={back.isPending}
                  onClick={() => back.mutate(sheet.id, { onSuccess: () => onTakenBack(sheet.id) })}
                >
                  Take back
                </button>
              </div>
            ))}
        </div>
      ))}
      <Link
        className="btn btn-primary btn-lg mt-4"
        to={`/trials/${drinkId}?${tasted.map(({ number }) => `show=${number}`).join('&')}`}
      >
        What to try next
      </Link>
    </section>
  );
}
