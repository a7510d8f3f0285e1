import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';

import { bottlesQuery, type TrainingSessionEntry, type TriangleSubject, useStartSession } from '@/api';
import { splitNames } from '@/lib';
import { Button, ChoiceChips, Disclosure, ErrorMessage, Select, TextField } from '@/ui';
import { SUBJECTS } from './subjects';

type Job = 'sour' | 'sweet' | 'base' | 'liqueur';
const LENGTHS = [
  [6, 'Five minutes, 6'],
  [12, 'Longer, 12'],
] as const;
const MEASURES = [
  [2.5, 'A jigger, 2.5 ml'],
  [1, 'A syringe, 1 ml'],
] as const;
const JOBS: Record<Job, string> = { sour: 'Sour', sweet: 'Sweet', base: 'Strong', liqueur: 'An aroma' };

/** Triangles: of what, how long, who tastes, who pours, out of which bottles. */
export function StartSession({ who }: { who: string }) {
  const [matter, setMatter] = useState<TriangleSubject>('sugar');
  const [rounds, setRounds] = useState<number>(6);
  const [names, setNames] = useState(who);
  const [alone, setAlone] = useState(false);
  const [grid, setGrid] = useState<number>(2.5);
  const [bottles, setBottles] = useState<Partial<Record<Job, string>>>({});
  const go = useNavigate();
  const begin = useStartSession();
  const tasters = splitNames(names);
  const body: TrainingSessionEntry = {
    sour: '',
    sweet: '',
    base: '',
    liqueur: '',
    ...bottles,
    matter,
    tasters,
    rounds,
    alone,
    grid,
  };
  return (
    <form
      aria-label="Triangle test"
      className="panel flex flex-col gap-3 p-4 text-base"
      onSubmit={(event) => {
        event.preventDefault();
        begin.mutate({ body }, { onSuccess: ({ id }) => void go(`/tasting/training/session/${id}`) });
      }}
    >
      <h2 className="font-display text-2xl leading-tight font-semibold">Triangle test</h2>
      <p className="text-quiet">Three glasses, two alike. Which is the odd one?</p>
      <ChoiceChips legend="Difference in" legendShown={false} options={SUBJECTS} value={matter} onChoose={setMatter} />
      <ChoiceChips legend="Length" legendShown={false} options={LENGTHS} value={rounds} onChoose={setRounds} />
      <TextField label="Tasters" hint="one name, or several with commas" most={300} value={names} onWrite={setNames} />
      <ChoiceChips
        legend="Pourer"
        legendShown={false}
        options={[
          [0, 'A colleague pours'],
          [1, 'I’m alone'],
        ]}
        value={Number(alone)}
        onChoose={(item) => setAlone(item === 1)}
      />
      <Disclosure title="Bottles and measure">
        <Bottles matter={matter} chosen={bottles} onChoose={(job, slug) => setBottles({ ...bottles, [job]: slug })} />
        <div className="pt-2">
          <ChoiceChips legend="Measure" options={MEASURES} value={grid} onChoose={setGrid} />
        </div>
      </Disclosure>
      <Button type="submit" look="primary" large disabled={tasters.length === 0 || begin.isPending}>
        {tasters.length === 0 ? 'Enter who tastes' : 'Mix the jugs'}
      </Button>
      <ErrorMessage fault={begin.error} className="text-error" />
    </form>
  );
}

interface BottlesProps {
  matter: TriangleSubject;
  chosen: Partial<Record<Job, string>>;
  onChoose: (job: Job, slug: string) => void;
}

/** What goes into the jugs, of what is at hand. */
function Bottles({ matter, chosen, onChoose }: BottlesProps) {
  const { data } = useQuery(bottlesQuery(matter));
  return (
    <div className="flex flex-col gap-2 pt-1">
      {data?.map(({ job, options }) => (
        <label key={job} className="flex items-center gap-2">
          <span className="w-24 shrink-0">{JOBS[job as Job]}</span>
          <Select
            className="min-h-11 w-full text-base"
            value={chosen[job as Job] ?? options[0]?.slug ?? ''}
            options={options.map(({ slug, name, at_hand }) => [slug, at_hand ? name : `${name} (not in stock)`])}
            onPick={(slug) => onChoose(job as Job, slug)}
          />
        </label>
      ))}
    </div>
  );
}
