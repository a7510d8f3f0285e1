import { useState } from 'react';
import { Link, useNavigate } from 'react-router';

import type { DrinkDetail, Family, Ingredient, Trial } from '../../api/client';
import { day } from '../../lib/format';
import { TopBar } from '../../ui/TopBar';
import { BalanceField } from './BalanceField';
import { sameDrink } from './draftHistory';
import { GlassPanel } from './GlassPanel';
import { MakingPanel } from './MakingPanel';
import { PourList } from './PourList';
import { Sentences } from './Sentences';
import { SideTabs, type SideTab } from './SideTabs';
import { Surface } from './Surface';
import { useComparison } from './useForecast';
import { useCountAsHome } from './useDrink';
import { useSteps } from './useMaking';
import { useRiffFrom } from './useRiffFrom';

interface Props {
  drink: DrinkDetail;
  trial: Trial;
  family: Family | undefined;
  larder: Ingredient[];
}

/** A trial as it was kept: to be looked at, and to riff from. */
export function KeptTrial({ drink, trial, family, larder }: Props) {
  const navigate = useNavigate();
  const [asking, setAsking] = useState(false);
  const riff = useRiffFrom(drink.id);
  const countAsHome = useCountAsHome(drink.id);
  const parent = drink.trials.find(({ id }) => id === trial.parent_trial_id);
  const [tab, setTab] = useState<SideTab>('trials');
  const steps = useSteps(trial.spec);
  const { comparison } = useComparison(trial.spec, parent?.spec ?? trial.spec);
  const bench = `/bench/${drink.id}`;
  // Riffing from here replaces what lies on the bench: ask, unless that is kept already.
  const unkept =
    drink.draft !== null && !drink.trials.some(({ spec }) => drink.draft && sameDrink(spec, drink.draft.spec));
  const goOn = () =>
    riff.mutate({ trial, revision: drink.draft?.revision ?? 0 }, { onSuccess: () => void navigate(bench) });

  return (
    <Surface
      top={
        <TopBar
          actions={
            <>
              <Link className="btn btn-ghost min-h-11 border-base-300 text-base" to={bench}>
                Back to the bench
              </Link>
              {family?.home && (
                <button
                  type="button"
                  aria-pressed={trial.reference}
                  className={`btn min-h-11 text-base ${trial.reference ? 'btn-secondary' : 'btn-ghost border-base-300'}`}
                  title={`Let the home of the ${drink.family} reach to this trial`}
                  onClick={() => countAsHome.mutate({ trialId: trial.id, counts: !trial.reference })}
                >
                  {trial.reference ? 'Counts as home' : 'Count as home'}
                </button>
              )}
              <button
                type="button"
                className="btn btn-primary min-h-11 text-base"
                onClick={() => (unkept ? setAsking(true) : goOn())}
              >
                Riff from here
              </button>
            </>
          }
        >
          <div className="min-w-0">
            <h1 className="truncate font-display text-2xl leading-tight font-semibold">{drink.name}</h1>
            <p className="truncate text-base text-quiet">
              trial {trial.number}, <strong className="font-semibold text-base-content">{trial.name}</strong>, kept{' '}
              {day(trial.kept_at)}
            </p>
          </div>
        </TopBar>
      }
      notice={
        asking || riff.error ? (
          <div role="alert" className="panel flex flex-wrap items-center gap-3 border-warning px-4 py-2 text-lg">
            <span className="grow">
              {riff.error?.message ?? 'What lies on the bench is not kept as a trial yet. It will be replaced.'}
            </span>
            <button type="button" className="btn btn-primary" onClick={goOn}>
              Replace it
            </button>
            <Link className="btn" to={bench}>
              Look at it first
            </Link>
          </div>
        ) : undefined
      }
      pours={
        <PourList
          spec={trial.spec}
          parent={parent?.spec ?? trial.spec}
          forecast={comparison?.present}
          brings={comparison?.present.pours ?? []}
          besideParent={comparison?.findings}
          larder={larder}
        />
      }
      field={<BalanceField comparison={comparison} family={family} />}
      sentences={
        <Sentences spec={trial.spec} comparison={comparison} parentName={parent && `trial ${parent.number}`} />
      }
      glass={<GlassPanel spec={trial.spec} comparison={comparison} />}
      making={
        <SideTabs
          drink={drink}
          comparison={comparison}
          open={tab}
          onOpen={setTab}
          method={
            <MakingPanel drink={drink} spec={trial.spec} steps={steps} forecast={comparison?.present} larder={larder} />
          }
        />
      }
    />
  );
}
