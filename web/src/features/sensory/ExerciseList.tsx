import { ArrowLeftRight, CircleAlert, Wrench } from 'lucide-react';
import { useNavigate } from 'react-router';

import { type ExerciseKind, type SensoryProfile, useStartExercise } from '@/api';
import { useSettings } from '@/hooks';
import { ErrorMessage } from '@/ui';
import { EXERCISES } from './exerciseWords';

const ICONS = { swap: ArrowLeftRight, fault: CircleAlert, correction: Wrench };

/** Exercises without a glass: one press each. */
export function ExerciseList({ tongue }: { tongue: SensoryProfile }) {
  const { taster, exercises } = tongue;
  const go = useNavigate();
  const { supposed: query } = useSettings();
  const ask = useStartExercise();
  const open = ({ id }: { id: number }) => void go(`/tasting/training/question/${id}`);
  return (
    <section aria-label="Questions" className="panel flex flex-col gap-2 p-4">
      <h2 className="font-display text-2xl leading-tight font-semibold">Questions</h2>
      <p className="text-base text-quiet">
        {taster ? 'From the team’s own recipes, answered by the forecast.' : 'Choose who you are first.'}
      </p>
      {exercises.map(({ kind, answered, right }) => (
        <Kind
          key={kind}
          kind={kind}
          text={answered === 0 ? '' : `${answered} answered, ${Math.round(100 * right)}% right`}
          disabled={!taster || ask.isPending}
          onStart={() => ask.mutate({ params: { query }, body: { taster, kind } }, { onSuccess: open })}
        />
      ))}
      <ErrorMessage fault={ask.error} className="text-error" />
    </section>
  );
}

interface KindProps {
  kind: ExerciseKind;
  text: string;
  disabled: boolean;
  onStart: () => void;
}

function Kind({ kind, text: told, disabled, onStart }: KindProps) {
  const Icon = ICONS[kind];
  const [name, words] = EXERCISES[kind];
  return (
    <button
      type="button"
      className="btn h-auto min-h-14 justify-start gap-3 border-base-300 py-2 text-left font-normal"
      disabled={disabled}
      onClick={onStart}
    >
      <Icon size={22} aria-hidden className="shrink-0" />
      <span className="flex flex-col">
        <span className="text-lg font-semibold">{name}</span>
        <span className="text-base text-quiet">{told || words}</span>
      </span>
    </button>
  );
}
