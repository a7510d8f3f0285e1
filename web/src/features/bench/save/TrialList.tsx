import { memo } from 'react';
import { Link, useParams } from 'react-router';

import type { DrinkDetail } from '@/api';
import { dayText } from '@/lib';

interface Props {
  drink: DrinkDetail;
}

/** The trials kept so far, the newest first; each opens as it was made. */
export const TrialList = memo(function TrialList({ drink }: Props) {
  const { trialNumber } = useParams();
  return (
    <nav className="flex min-h-0 grow flex-col pt-2" aria-label="Trials">
      <div className="flex gap-1.5 px-2 pb-1.5">
        <Link className="btn min-h-11 grow px-2 text-base" to={`/trials/${drink.id}`}>
          Compare
        </Link>
        <Link className="btn min-h-11 grow px-2 text-base" to={`/taste/${drink.id}`}>
          Taste
        </Link>
      </div>
      <ol className="min-h-0 grow overflow-y-auto px-2 pb-2" reversed>
        {drink.trials.toReversed().map((trial) => {
          const open = Number(trialNumber) === trial.number;
          return (
            <li key={trial.id}>
              <Link
                to={`/bench/${drink.id}/trials/${trial.number}`}
                aria-current={open ? 'page' : undefined}
                className={`block rounded-xl px-2 py-1.5 hover:bg-secondary ${open ? 'bg-secondary' : ''}`}
              >
                <span className="block leading-tight font-semibold">
                  {trial.number}. {trial.name}
                </span>
                <span className="block text-sm leading-snug text-quiet">
                  {trial.reason || `saved ${dayText(trial.kept_at)}, no reason given`}
                </span>
              </Link>
            </li>
          );
        })}
      </ol>
    </nav>
  );
});
