import { useState } from 'react';

import { type Fault, type TrialEntry, useIsUnreachable } from '@/api';
import { asSentence } from '@/lib';
import type { NameOf } from '@/spec';
import { said, type Flight, type FlightGlass } from './flight';
import { TastingSheet } from './TastingSheet';
import type { FlightUnderWay } from './useFlight';
import { Button } from '@/ui';

interface Props {
  flight: Flight;
  glass: FlightGlass;
  under: FlightUnderWay;
  trials: TrialEntry[];
  trial: TrialEntry;
  nameOf: NameOf;
  /** This glass is scored. */
  onFinish: () => void;
  keeping: { error: Fault | null; isPending: boolean };
}

/** The glass that is tasted now, its sheet, and the way on. */
export function CurrentGlass({ flight, glass, under, trials, trial, nameOf, keeping, onFinish }: Props) {
  const gone = useIsUnreachable();
  const [stopping, setStopping] = useState(false);
  const all = flight.blind
    ? flight.glasses.flatMap(({ trialId }) => trials.find(({ id }) => id === trialId) ?? [])
    : [];
  const stop = () => (flight.glasses.some(({ sheet }) => said(sheet)) ? setStopping(true) : under.end());
  const more = flight.glasses.some(({ done }, n) => !done && n !== under.at);
  return (
    <>
      {trial.mark === 'hidden' && !flight.blind && (
        <p role="status" className="panel p-3 text-lg">
          Trial {trial.number} was hidden in the meantime. Its tasting note is saved all the same.
        </p>
      )}
      <section aria-label="Tasting note" className="panel p-4">
        <div className="mb-3 flex items-baseline gap-3">
          <h2 className="grow font-display text-2xl leading-tight font-semibold">
            {glass.sheet.taster}, {flight.blind ? `glass ${glass.letter}` : `trial ${trial.number}`}
          </h2>
          <span className="text-base text-quiet">
            {under.at + 1} of {flight.glasses.length}
          </span>
        </div>
        <TastingSheet
          key={under.at}
          sheet={glass.sheet}
          pours={loudable(flight.blind ? all : [trial], nameOf)}
          hasStrength={(flight.blind ? all : [trial]).some(({ has_strength }) => has_strength)}
          hasEdge={trial.spec.pours.some(({ stage }) => stage === 'rim')}
          onSay={under.say}
        />
      </section>
      {keeping.isPending && gone && (
        <p role="alert" className="panel border-warning p-3 text-lg">
          The server doesn’t answer. Your tasting notes stay here and are sent when it does.
        </p>
      )}
      {keeping.error && (
        <p role="alert" className="panel border-warning p-3 text-lg">
          {asSentence(keeping.error.detail)} Nothing is lost: your tasting notes stay here.
        </p>
      )}
      {stopping && <ConfirmStop onGoOn={() => setStopping(false)} onStop={under.end} />}
      <div className="sticky bottom-(--thumb) flex gap-2 bg-base-200 py-2">
        {under.at > 0 && (
          <Button large onClick={under.back}>
            Previous
          </Button>
        )}
        <Button look="outline" large onClick={stop}>
          Stop
        </Button>
        <Button
          look="primary"
          large
          className="grow"
          disabled={!said(glass.sheet) || keeping.isPending}
          onClick={onFinish}
        >
          {more ? 'Next glass' : flight.blind ? 'Finish and reveal' : 'Save tasting note'}
        </Button>
      </div>
    </>
  );
}

function ConfirmStop({ onGoOn, onStop }: { onGoOn: () => void; onStop: () => void }) {
  return (
    <div role="alert" className="panel flex flex-wrap items-center gap-2 border-warning p-3 text-lg">
      <span className="grow">Your tasting notes aren’t saved yet.</span>
      <Button look="primary" onClick={onGoOn}>
        Keep tasting
      </Button>
      <Button className="font-normal" onClick={onStop}>
        Discard them
      </Button>
    </div>
  );
}

/** Pours that may be called too loud. While it is blind, of all the trials together: a list of its own would tell the glass. */
function loudable(trials: TrialEntry[], nameOf: NameOf) {
  const slugs = trials.flatMap(({ spec }) =>
    spec.pours.flatMap(({ ingredient, stage }) =>
      typeof ingredient === 'string' && stage !== 'rim' && stage !== 'garnish' ? [ingredient] : [],
    ),
  );
  return [...new Set(slugs)].toSorted().map((slug) => ({ slug, name: nameOf(slug) }));
}
