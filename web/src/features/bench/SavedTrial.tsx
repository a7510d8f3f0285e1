import { useMemo, useState } from 'react';
import { Link } from 'react-router';

import { useComparison, useSetReference, useSteps } from '@/api';
import type { DrinkDetail, Family, Ingredient, Trial } from '@/api';
import { dayText } from '@/lib';
import { Button, PageHeader } from '@/ui';
import { namesIn } from '@/spec';
import { OpenOnBenchNotice, useOpenOnBench } from '@/features/open-on-bench';
import { BalanceField, FigureSentences } from './field';
import { GlassPanel } from './glass';
import { MethodPanel } from './method/MethodPanel';
import { SideTabs, type SideTab } from './method/SideTabs';
import { PourList } from './pours';
import { BenchLayout } from './BenchLayout';

interface Props {
  drink: DrinkDetail;
  trial: Trial;
  family: Family | undefined;
  larder: Ingredient[];
}

/** A trial as it was kept: to be looked at, and to riff from. */
export function SavedTrial({ drink, trial, family, larder }: Props) {
  const laying = useOpenOnBench(drink.id);
  const parent = drink.trials.find(({ id }) => id === trial.parent_trial_id);
  const [tab, setTab] = useState<SideTab>('trials');
  const made = useSteps(trial.spec);
  const { comparison } = useComparison(trial.spec, parent?.spec ?? trial.spec).known;
  const nameOf = useMemo(() => namesIn(larder), [larder]);
  return (
    <BenchLayout
      top={
        <SavedTrialHeader
          drink={drink}
          trial={trial}
          hasHome={Boolean(family?.homes.length)}
          bench={laying.bench}
          onRiff={() => laying.lay({ spec: trial.spec, parent: trial.id })}
        />
      }
      notice={<OpenOnBenchNotice laying={laying} />}
      pours={
        <PourList
          spec={trial.spec}
          parent={parent?.spec ?? trial.spec}
          comparison={comparison}
          larder={larder}
          nameOf={nameOf}
          brings={comparison?.present.pours ?? NOTHING}
        />
      }
      field={<BalanceField comparison={comparison} family={family} />}
      sentences={
        <FigureSentences spec={trial.spec} comparison={comparison} parentName={parent && `trial ${parent.number}`} />
      }
      glass={<GlassPanel spec={trial.spec} comparison={comparison} />}
      making={
        <SideTabs
          drink={drink}
          spec={trial.spec}
          comparison={comparison}
          open={tab}
          onOpen={setTab}
          method={<MethodPanel name={drink.name} made={made} nameOf={nameOf} />}
        />
      }
    />
  );
}

const NOTHING: never[] = [];

interface TopProps {
  drink: DrinkDetail;
  trial: Trial;
  hasHome: boolean;
  /** The address of the bench. */
  bench: string;
  onRiff: () => void;
}

function SavedTrialHeader({ drink, trial, hasHome, bench, onRiff }: TopProps) {
  const count = useSetReference();
  const params = { path: { drink_id: drink.id, trial_id: trial.id } };
  return (
    <PageHeader
      actions={
        <>
          <Link className="btn btn-ghost min-h-11 border-base-300 text-base" to={bench}>
            Back to the bench
          </Link>
          {hasHome && (
            <button
              type="button"
              aria-pressed={trial.reference}
              className={`btn min-h-11 text-base ${trial.reference ? 'btn-secondary' : 'btn-ghost border-base-300'}`}
              title={`Widen the typical range of the ${drink.family} to this trial`}
              onClick={() => count.mutate({ params, body: { counts: !trial.reference } })}
            >
              {trial.reference ? 'Counts as typical' : 'Count as typical'}
            </button>
          )}
          <Button look="primary" onClick={onRiff}>
            Riff from here
          </Button>
        </>
      }
    >
      <div className="min-w-0">
        <h1 className="truncate font-display text-2xl leading-tight font-semibold max-[500px]:whitespace-normal">
          {drink.name}
        </h1>
        <p className="truncate text-base text-quiet">
          trial {trial.number}, <strong className="font-semibold text-base-content">{trial.name}</strong>, saved{' '}
          {dayText(trial.kept_at)}
        </p>
      </div>
    </PageHeader>
  );
}
