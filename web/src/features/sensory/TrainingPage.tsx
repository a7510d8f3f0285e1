import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';

import { type SensoryProfile, sensoryProfileQuery } from '@/api';
import { changeSettings, useDocumentTitle, useSettings } from '@/hooks';
import { Button, LoadingOrError, PageHeader } from '@/ui';
import { ExerciseList } from './ExerciseList';
import { OwnThresholds } from './OwnThresholds';
import { StartSession } from './StartSession';
import { WeekPlan } from './WeekPlan';

/** Whose tongue, what is known of it, and how it is trained: with glasses, without, over a week. */
export function TrainingPage() {
  const [query, setQuery] = useSearchParams();
  const { taster } = useSettings();
  const who = query.get('taster') ?? taster;
  const { data, error } = useQuery(sensoryProfileQuery(who));
  useDocumentTitle('Training');
  if (!data) return <LoadingOrError error={error} />;
  const choose = (name: string) => {
    if (name) changeSettings({ taster: name });
    setQuery({ taster: name });
  };
  return (
    <div className="page-body">
      <PageHeader />
      <main className="flex flex-col gap-3">
        <div className="flex flex-wrap items-end justify-between gap-3">
          <p className="text-lg text-quiet">Find out how small a difference you notice, and practise.</p>
          <TasterSelect who={who} tasters={data.tasters} onChoose={choose} />
        </div>
        {data.sittings.length > 0 && <OpenSessions sittings={data.sittings} />}
        <div className="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_minmax(0,26rem)]">
          <OwnThresholds tongue={data} />
          <div className="flex flex-col gap-3 max-lg:order-first">
            <StartSession key={who} who={who} />
            <ExerciseList tongue={data} />
            <WeekPlan tongue={data} />
          </div>
        </div>
      </main>
    </div>
  );
}

/** Sittings that weren't finished: nothing of them is lost. */
function OpenSessions({ sittings }: { sittings: SensoryProfile['sittings'] }) {
  return (
    <p className="panel flex flex-wrap items-center gap-3 p-3 text-lg">
      <span className="grow">A session isn’t finished.</span>
      <Link to={`/tasting/training/session/${sittings[0]}`} className="btn btn-primary min-h-11 text-base">
        Continue
      </Link>
    </p>
  );
}

interface WhoProps {
  who: string;
  tasters: string[];
  onChoose: (name: string) => void;
}

/** Whose tongue: somebody who tasted here, somebody new, or the house. */
function TasterSelect({ who, tasters, onChoose }: WhoProps) {
  const [typed, setTyped] = useState('');
  const names = who && !tasters.includes(who) ? [...tasters, who] : tasters;
  return (
    <div className="flex flex-wrap items-center gap-1.5" role="group" aria-label="Taster">
      {['', ...names].map((text) => (
        <button
          key={text}
          type="button"
          aria-pressed={text === who}
          className={`btn min-h-11 px-3 text-base font-normal ${text === who ? 'btn-primary' : 'btn-ghost border-base-300'}`}
          onClick={() => onChoose(text)}
        >
          {text || 'The team'}
        </button>
      ))}
      <form
        className="flex gap-1.5"
        onSubmit={(event) => {
          event.preventDefault();
          if (typed.trim()) onChoose(typed.trim());
          setTyped('');
        }}
      >
        <input
          aria-label="New taster"
          placeholder="New taster"
          maxLength={100}
          className="input min-h-11 w-40 text-base"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        {typed.trim() && <Button type="submit">Add</Button>}
      </form>
    </div>
  );
}
