import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useSearchParams } from 'react-router';

import { type Palate, palateQuery, tastersQuery, useResetPalate } from '@/api';
import type { AxisName } from '@/lib';
import { changeSettings, useDocumentTitle, useSettings } from '@/hooks';
import { Button, Disclosure, LoadingOrError, PageHeader } from '@/ui';
import { PalateAxis } from './PalateAxis';

/** What each taster likes, learnt from the sheets: looked at, explained, switched on, reset. */
export function PalatesPage() {
  const [query, setQuery] = useSearchParams();
  const { palate: inUse } = useSettings();
  const tasters = useQuery(tastersQuery());
  const who = query.get('taster') ?? inUse ?? '';
  const palate = useQuery(palateQuery(who));
  useDocumentTitle('Palates');
  if (!tasters.data || !palate.data) return <LoadingOrError error={tasters.error ?? palate.error} />;
  const found = palate.data;
  const name = who || 'The team';
  return (
    <div className="page-body">
      <PageHeader />
      <main className="flex flex-col gap-3">
        <div role="group" aria-label="Palate of" className="flex flex-wrap gap-1.5">
          {['', ...tasters.data.map(({ taster }) => taster)].map((text) => (
            <button
              key={text}
              type="button"
              aria-pressed={text === who}
              className={`btn min-h-11 px-3 text-base font-normal ${text === who ? 'btn-primary' : 'btn-ghost border-base-300'}`}
              onClick={() => setQuery({ taster: text })}
            >
              {text || 'The whole team'}
            </button>
          ))}
        </div>
        {found.sheets === 0 ? (
          <section className="panel max-w-prose p-5 text-lg">
            <p>
              Nothing is known yet about {who ? `${who}’s` : 'the team’s'} palate. Taste a few trials to learn where
              they like a drink, and how certain that is for {who || 'you'}.
            </p>
          </section>
        ) : (
          <LearntPalate key={who} who={who} name={name} found={found} />
        )}
      </main>
    </div>
  );
}

interface LearntPalateProps {
  /** Empty for the house. */
  who: string;
  name: string;
  found: Palate;
}

/** A palate axis by axis, and what it was learnt from. */
function LearntPalate({ who, name, found }: LearntPalateProps) {
  return (
    <section aria-label={`${name}’s palate`} className="panel p-4 sm:p-5">
      <p className="mb-4 text-xl leading-snug">
        {name}, from {found.sheets === 1 ? 'one tasting note' : `${found.sheets} tasting notes`} in{' '}
        {found.sessions === 1 ? 'one session' : `${found.sessions} sessions`}
      </p>
      <div className="flex flex-col gap-5">
        {found.axes.map((axis) => (
          <PalateAxis
            key={axis.axis}
            axis={axis.axis as AxisName}
            steps={axis.steps}
            low={axis.low}
            high={axis.high}
            words={axis.words}
          />
        ))}
      </div>
      <p className="mt-4 max-w-[70ch] text-base text-quiet">
        Each line spans three noticeable differences either side of a typical drink. The mark is the best guess. The bar
        holds 8 times in 10.
      </p>
      <PalateActions who={who} />
      <div className="mt-3 text-base">
        <Disclosure title="Based on" count={found.why.length}>
          <ul className="list-disc pl-5">
            {found.why.map((text, n) => (
              <li key={n}>{text}</li>
            ))}
          </ul>
        </Disclosure>
      </div>
    </section>
  );
}

/** Switches a palate on or off, or learns it anew: a second press does that. */
function PalateActions({ who }: { who: string }) {
  const { palate: inUse } = useSettings();
  const on = inUse === who;
  const [asking, setAsking] = useState(false);
  const reset = useResetPalate();
  const forget = () => reset.mutate({ params: { query: { taster: who } } }, { onSuccess: () => setAsking(false) });
  return (
    <div className="mt-4 flex flex-wrap items-center gap-2">
      <button
        type="button"
        aria-pressed={on}
        className={`btn btn-lg text-base ${on ? 'btn-secondary' : 'btn-primary'}`}
        onClick={() => changeSettings({ palate: on ? null : who })}
      >
        {on ? 'In use. Switch it off' : 'Use it for suggestions and rebalancing'}
      </button>
      <Button
        look="outline"
        large
        className="text-base"
        disabled={reset.isPending}
        onClick={() => (asking ? forget() : setAsking(true))}
      >
        {asking ? 'Yes, reset this palate' : 'Reset this palate'}
      </Button>
      <span className="text-base text-quiet" role={asking ? 'status' : undefined}>
        {asking ? 'This can’t be undone. ' : ''}The tasting notes stay with their trials.
      </span>
    </div>
  );
}
