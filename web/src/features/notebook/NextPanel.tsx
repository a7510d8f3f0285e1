import { useQuery } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';

import type { NotebookTrial, PourEntry, Proposal } from '../../api/client';
import { capital, level } from '../../lib/format';
import { useSettings } from '../../lib/settings';
import { AxisMark } from '../../ui/AxisMark';
import { useLayOnBench, nextQuery } from './useNotebook';
import { AXES, pourWords } from './words';

interface Props {
  drinkId: number;
  /** The tasted trial that is answered; undefined where none of those in sight was tasted. */
  trial: NotebookTrial | undefined;
  /** The newest in sight. */
  last: NotebookTrial | undefined;
  nameOf: (slug: string) => string;
}

/** Two or three trials to try next, each with its reasons; one press lays it on the bench. */
export function NextPanel({ drinkId, trial, last, nameOf }: Props) {
  const { supposed, aim, palate } = useSettings();
  const next = useQuery({
    ...nextQuery(drinkId, trial?.id ?? 0, palate, aim.grid, supposed),
    enabled: trial !== undefined,
  });
  const lay = useLayOnBench(drinkId);
  const navigate = useNavigate();
  if (!trial) {
    return (
      <section aria-label="What to try next" className="panel p-4">
        <h2 className="font-display text-2xl font-semibold">What to try next</h2>
        <p className="mt-1 max-w-prose text-lg">
          {last ? `Trial ${last.number} wasn’t tasted yet. ` : ''}Fill a sheet (half a minute): “too sharp, a bit thin”
          becomes the amounts of the next trial.
        </p>
        {last && (
          <Link className="btn mt-3 min-h-11 text-base" to={`/taste/${drinkId}?trial=${last.number}`}>
            Taste trial {last.number}
          </Link>
        )}
      </section>
    );
  }
  const take = (proposal: Proposal) =>
    lay.mutate({ spec: proposal.spec, parent: trial.id }, { onSuccess: () => void navigate(`/bench/${drinkId}`) });
  const found = next.data;
  return (
    <section aria-label="What to try next" className="panel p-3 sm:p-4">
      <div className="mb-2 flex flex-wrap items-baseline gap-x-3">
        <h2 className="font-display text-2xl font-semibold">What to try next</h2>
        <p className="text-lg">
          after trial {trial.number}
          {palate !== null && <span className="text-quiet">, by {palate || 'the house'}’s palate too</span>}
        </p>
        <Link className="ml-auto text-base underline decoration-dotted underline-offset-4" to="/palates">
          Palates
        </Link>
      </div>
      {next.error && (
        <p role="alert" className="text-lg">
          {capital(next.error.message)}
        </p>
      )}
      {!found && !next.error && <p className="text-lg text-quiet">Searching what can be poured…</p>}
      {found && (
        <>
          <p className="mb-3 max-w-[75ch] text-lg">
            <strong className="font-semibold">{capital(found.standing.state)}.</strong> {found.standing.sentence}
          </p>
          {found.proposals.length === 0 && (
            <p className="text-lg">Nothing has to change: pour it again, or mark it finished.</p>
          )}
          <ul className="grid gap-3 md:grid-cols-2 xl:grid-cols-3">
            {found.proposals.map((proposal) => (
              <ProposalCard
                key={proposal.key + proposal.title}
                proposal={proposal}
                trial={trial}
                nameOf={nameOf}
                busy={lay.isPending}
                onTake={() => take(proposal)}
              />
            ))}
          </ul>
          {lay.error && <p role="alert">{lay.error.message}</p>}
        </>
      )}
    </section>
  );
}

interface CardProps {
  proposal: Proposal;
  trial: NotebookTrial;
  nameOf: (slug: string) => string;
  busy: boolean;
  onTake: () => void;
}

function ProposalCard({ proposal, trial, nameOf, busy, onTake }: CardProps) {
  const { shown } = useSettings();
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
              {pourWords(pour, proposal.spec, shown, nameOf)}
              {moved && (
                <span className="text-base font-normal text-quiet">
                  {was ? `, was ${pourWords(was, trial.spec, shown, () => '').trim()}` : ', new'}
                </span>
              )}
            </li>
          );
        })}
      </ul>
      <p className="flex flex-wrap gap-x-4 text-lg">
        {AXES.map((axis) => (
          <span key={axis} className="flex items-center gap-1.5">
            <AxisMark axis={axis} size={14} />
            <span className="font-figure">{level(proposal.figures[axis], axis)}</span>
          </span>
        ))}
      </p>
      <details className="mt-1 text-base">
        <summary className="min-h-9 cursor-pointer py-1 font-semibold">Why</summary>
        <p>{heard}</p>
        <ul className="list-disc pl-5">
          {reasons.map((reason) => (
            <li key={reason}>{reason}</li>
          ))}
        </ul>
      </details>
      {proposal.notes.map((note) => (
        <p key={note} className="mt-1 text-base">
          {note}
        </p>
      ))}
      <div className="mt-auto" />
      <button
        type="button"
        className="btn btn-primary mt-2 min-h-11 text-base"
        disabled={busy}
        aria-label={`Lay it on the bench: ${proposal.title}`}
        onClick={onTake}
      >
        Lay it on the bench
      </button>
    </li>
  );
}
