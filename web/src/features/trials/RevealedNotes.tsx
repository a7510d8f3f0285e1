import { Link } from 'react-router';

import { type Sheet, type TrialEntry, useRemoveTasting } from '@/api';
import { plainNumber } from '@/lib';
import { Button } from '@/ui';

interface Props {
  drinkId: number;
  sheets: Sheet[];
  trials: TrialEntry[];
  /** A sheet that was filled by mistake is gone again. */
  onTakenBack: (id: number) => void;
}

/** What was said of which trial, now that the names are shown. */
export function RevealedNotes({ drinkId, sheets, trials, onTakenBack }: Props) {
  const back = useRemoveTasting();
  const tasted = trials.filter(({ id }) => sheets.some(({ trial_id }) => trial_id === id));
  return (
    <section aria-label="Results" className="panel p-4">
      <h2 className="font-display text-2xl font-semibold">
        {sheets.length === 0 ? 'Deleted' : sheets.length === 1 ? 'Tasting note saved' : 'Results'}
      </h2>
      {tasted.map((trial) => (
        <div key={trial.id} className="mt-3 border-t border-base-300 pt-2">
          <h3 className="text-xl font-semibold">
            Trial {trial.number}, {trial.name}
          </h3>
          {sheets
            .filter(({ trial_id }) => trial_id === trial.id)
            .map((sheet) => (
              <div key={sheet.id} className="flex items-center gap-2 text-lg">
                <p className="grow">
                  <strong className="font-semibold">{sheet.taster}</strong>: {sheet.verdict || 'no score'}
                  {sheet.score != null && `, ${plainNumber(sheet.score, 1)} of 10`}
                </p>
                <Button
                  look="ghost"
                  className="font-normal"
                  aria-label={`Delete ${sheet.taster}’s tasting note of trial ${trial.number}`}
                  disabled={back.isPending}
                  onClick={() =>
                    back.mutate(
                      { params: { path: { tasting_id: sheet.id } } },
                      { onSuccess: () => onTakenBack(sheet.id) },
                    )
                  }
                >
                  Delete
                </Button>
              </div>
            ))}
        </div>
      ))}
      <Link
        className="btn btn-primary btn-lg mt-4"
        to={`/trials/${drinkId}?${tasted.map(({ number }) => `show=${number}`).join('&')}`}
      >
        What to try next
      </Link>
    </section>
  );
}
