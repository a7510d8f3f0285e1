import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';

import { exerciseQuery, larderQuery, useAnswerExercise, useStartExercise } from '@/api';
import type { Exercise, ExerciseAnswer } from '@/api';
import { shownAmount } from '@/lib';
import { useDocumentTitle, useSettings } from '@/hooks';
import { Button, ErrorMessage, LoadingOrError, PageHeader } from '@/ui';
import { type NameOf, namesIn } from '@/spec';
import { QuestionCard } from './QuestionCard';
import { EXERCISES } from './exerciseWords';

/** One exercise: the drink, what is asked, and after the answer what the forecast says. */
export function ExercisePage() {
  const id = Number(useParams().exerciseId);
  const { data, error } = useQuery(exerciseQuery(id));
  const larder = useQuery(larderQuery());
  useDocumentTitle('Question');
  if (!data || !larder.data) return <LoadingOrError error={error ?? larder.error} />;
  return (
    <div className="page-body">
      <PageHeader>
        <h1 className="font-display text-2xl leading-tight font-semibold">
          {EXERCISES[data.kind][0]}
          <span className="block font-sans text-base font-normal text-quiet">{data.taster}</span>
        </h1>
      </PageHeader>
      <main className="mx-auto flex w-full max-w-[760px] flex-col gap-3">
        <Question key={data.id} exercise={data} nameOf={namesIn(larder.data)} />
      </main>
    </div>
  );
}

interface QuestionProps {
  exercise: Exercise;
  nameOf: NameOf;
}

function Question({ exercise, nameOf }: QuestionProps) {
  const { id, kind, taster, title, asks } = exercise;
  const [said, setSaid] = useState<Record<string, string>>({});
  const go = useNavigate();
  const { supposed: query } = useSettings();
  const answer = useAnswerExercise();
  const another = useStartExercise();
  const open = (next: { id: number }) => void go(`/tasting/training/question/${next.id}`, { replace: true });
  const solved = answer.data;
  const whole = asks.every(({ key }) => said[key]);
  return (
    <form
      aria-label="Exercise"
      className="panel flex flex-col gap-4 p-4 sm:p-5"
      onSubmit={(event) => {
        event.preventDefault();
        if (solved) another.mutate({ params: { query }, body: { taster, kind } }, { onSuccess: open });
        else if (whole) answer.mutate({ params: { path: { exercise_id: id } }, body: { said } });
      }}
    >
      <Shown exercise={exercise} nameOf={nameOf} />
      <p className="text-xl leading-snug">{title}</p>
      {asks.map((ask, n) => (
        <QuestionCard
          key={ask.key}
          ask={ask}
          first={n === 0}
          text={said[ask.key]}
          right={solved?.right[ask.key]}
          onSay={(key) => setSaid({ ...said, [ask.key]: key })}
        />
      ))}
      {solved && <Solution solved={solved} />}
      <div className="flex flex-wrap gap-2">
        <Button
          type="submit"
          look="primary"
          large
          className="grow"
          disabled={(!solved && !whole) || answer.isPending || another.isPending}
        >
          {solved ? 'Next question' : whole ? 'Answer' : 'Choose an answer'}
        </Button>
        <Link
          to={`/tasting/training?taster=${encodeURIComponent(taster)}`}
          className="btn btn-ghost btn-lg border-base-300 font-normal"
        >
          Stop
        </Link>
      </div>
      <ErrorMessage fault={answer.error ?? another.error} className="text-error" />
    </form>
  );
}

/** The drink as it is poured. */
function Shown({ exercise, nameOf }: QuestionProps) {
  const { shown, ounceMl } = useSettings();
  return (
    <section aria-label="The drink">
      <h2 className="font-display text-xl font-semibold">{exercise.of}</h2>
      <ul className="columns-1 gap-8 sm:columns-2">
        {exercise.spec.pours.map(({ ingredient, amount, unit }, n) => {
          const { text, word } = shownAmount(Number(amount), unit, shown, ounceMl);
          return (
            <li key={n} className="grid grid-cols-[6rem_1fr] items-baseline gap-2 text-lg">
              <span className="text-right font-figure whitespace-nowrap">
                {text} {word}
              </span>
              <span>{nameOf(ingredient)}</span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** How much of it was right, and why, as the forecast tells it. */
function Solution({ solved }: { solved: ExerciseAnswer }) {
  const words = solved.score >= 0.999 ? 'Right' : solved.score > 0 ? 'Partly right' : 'Wrong';
  return (
    <div role="status" className="rounded-xl bg-secondary p-3">
      <p className="font-display text-xl font-semibold">{words}</p>
      <ul className="text-lg">
        {solved.told.map((text) => (
          <li key={text}>{text}</li>
        ))}
      </ul>
    </div>
  );
}
