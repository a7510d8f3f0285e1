import { Check } from 'lucide-react';

import { type ExerciseKind, type SensoryProfile, type TriangleSubject, useEndTraining, useStartTraining } from '@/api';
import { Button, ErrorMessage } from '@/ui';
import { EXERCISES } from './exerciseWords';
import { SUBJECTS } from './subjects';

type Day = NonNullable<SensoryProfile['week']>['days'][number];

/** A week for a new colleague: begun, followed, put away. */
export function WeekPlan({ tongue }: { tongue: SensoryProfile }) {
  const { taster, week } = tongue;
  const begin = useStartTraining();
  const end = useEndTraining();
  if (!taster) return null;
  return (
    <section aria-label="One-week plan" className="panel flex flex-col gap-2 p-4">
      <h2 className="font-display text-2xl leading-tight font-semibold">One-week plan</h2>
      {week ? (
        <>
          <p className="text-base text-quiet">
            {week.today === 0 ? 'All seven days are done.' : `15 minutes a day. Now: day ${week.today}.`}
          </p>
          <ol className="flex flex-col">
            {week.days.map((day) => (
              <DayLine key={day.number} day={day} now={day.number === week.today} />
            ))}
          </ol>
          <Button
            look="outline"
            className="self-start"
            disabled={end.isPending}
            onClick={() => end.mutate({ params: { path: { taster } } })}
          >
            Stop the plan
          </Button>
        </>
      ) : (
        <>
          <p className="text-base text-quiet">
            For a new colleague: seven short days of tests and questions. Each is ticked off when done.
          </p>
          <Button className="self-start" disabled={begin.isPending} onClick={() => begin.mutate({ body: { taster } })}>
            Start it for {taster}
          </Button>
        </>
      )}
      <ErrorMessage fault={begin.error ?? end.error} className="text-error" />
    </section>
  );
}

function DayLine({ day, now }: { day: Day; now: boolean }) {
  const done = day.tasks.every((task) => task.done >= task.wanted);
  return (
    <li
      className={`grid grid-cols-[1.75rem_1fr] items-baseline gap-x-2 rounded-lg px-2 py-1.5 text-base ${now ? 'bg-secondary' : ''}`}
      aria-current={now ? 'step' : undefined}
    >
      <span className="font-figure">
        {done ? <Check size={18} role="img" aria-label="done" className="self-center" /> : day.number}
      </span>
      <span className="font-semibold">{day.title}</span>
      <span className={`col-start-2 ${now ? '' : 'text-quiet'}`}>
        {day.tasks.map((task) => `${nameOf(task.what, task.of)} ${task.done} of ${task.wanted}`).join(', ')}
      </span>
    </li>
  );
}

function nameOf(what: string, of: string): string {
  if (what === 'exercise') return EXERCISES[of as ExerciseKind][0].toLowerCase();
  const matter = SUBJECTS.find(([option]) => option === (of as TriangleSubject))?.[1] ?? of;
  return `triangle tests of ${matter.toLowerCase()}`;
}
