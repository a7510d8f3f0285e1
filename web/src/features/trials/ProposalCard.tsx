import type { PourEntry, Proposal, TrialEntry } from '@/api';
import { useSettings, useWithVolumes } from '@/hooks';
import { amountWords, type NameOf, pourWords } from '@/spec';
import { Button, LevelsLine } from '@/ui';

interface CardProps {
  proposal: Proposal;
  trial: TrialEntry;
  nameOf: NameOf;
  busy: boolean;
  onTake: () => void;
}

/** A trial to try next, with its reasons; one press lays it on the bench. */
export function ProposalCard({ proposal, trial, nameOf, busy, onTake }: CardProps) {
  const { shown } = useSettings();
  const inUnit = useWithVolumes();
  const [heard, ...reasons] = proposal.reasons;
  const before = (pour: PourEntry) =>
    trial.spec.pours.find(
      ({ ingredient, stage }) => JSON.stringify(ingredient) === JSON.stringify(pour.ingredient) && stage === pour.stage,
    );
  return (
    <li className="flex flex-col rounded-box border border-base-300 p-3">
      <h3 className="text-xl leading-tight font-semibold">{proposal.title}</h3>
      <ul className="my-2 text-lg leading-snug">
        {proposal.spec.pours.map((pour, index) => {
          const was = before(pour);
          const moved = !was || Number(was.amount) !== Number(pour.amount);
          return (
            <li key={index} className={moved ? 'font-semibold' : 'text-quiet'}>
              {pourWords(pour, shown, proposal.spec.ounce_ml, nameOf)}
              {moved && (
                <span className="text-base font-normal whitespace-nowrap text-quiet">
                  {was ? `, was ${amountWords(was, shown, trial.spec.ounce_ml)}` : ', new'}
                </span>
              )}
            </li>
          );
        })}
      </ul>
      <LevelsLine
        sugar={proposal.figures.sugar}
        acid={proposal.figures.acid}
        abv={proposal.figures.abv}
        className="text-lg"
      />
      <details className="mt-1 text-base">
        <summary className="min-h-9 cursor-pointer py-1 font-semibold">Why</summary>
        <p>{heard}</p>
        <ul className="list-disc pl-5">
          {reasons.map((reason) => (
            <li key={reason}>{inUnit(reason)}</li>
          ))}
        </ul>
      </details>
      {proposal.notes.map((note) => (
        <p key={note} className="mt-1 text-base">
          {inUnit(note)}
        </p>
      ))}
      <div className="mt-auto" />
      <Button
        look="primary"
        className="mt-2"
        disabled={busy}
        aria-label={`Open on the bench: ${proposal.title}`}
        onClick={onTake}
      >
        Open on the bench
      </Button>
    </li>
  );
}
