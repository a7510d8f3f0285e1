import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';

import { nextQuery, type Proposal, type TrialEntry } from '@/api';
import { capital } from '@/lib';
import { useSettings, useSwapTarget } from '@/hooks';
import type { NameOf } from '@/spec';
import { ErrorMessage } from '@/ui';
import { OpenOnBenchNotice, useOpenOnBench } from '@/features/open-on-bench';
import { ProposalCard } from './ProposalCard';

interface Props {
  drinkId: number;
  /** The tasted trial that is answered; undefined where none of those in sight was tasted. */
  trial: TrialEntry | undefined;
  /** The newest in sight. */
  last: TrialEntry | undefined;
  nameOf: NameOf;
  /** Its heading; what it is about where the page has no name for it. */
  heading?: string;
}

/** Two or three trials to try next, each with its reasons; one press lays it on the bench. */
export function NextTrialPanel({ drinkId, trial, last, nameOf, heading = 'What to try next' }: Props) {
  const { supposed, palate } = useSettings();
  const aim = useSwapTarget();
  const next = useQuery({
    ...nextQuery(drinkId, trial?.id ?? 0, palate, aim.grid, supposed),
    enabled: trial !== undefined,
  });
  const laying = useOpenOnBench(drinkId);
  if (!trial) return <NotTasted drinkId={drinkId} last={last} heading={heading} />;
  const take = (proposal: Proposal) => laying.lay({ spec: proposal.spec, parent: trial.id });
  const found = next.data;
  return (
    <section aria-label="What to try next" className="panel p-3 sm:p-4">
      <div className="mb-2 flex flex-wrap items-baseline gap-x-3">
        <h2 className="font-display text-2xl font-semibold">{heading}</h2>
        <p className="text-lg">
          after trial {trial.number}
          {palate !== null && <span className="text-quiet">, by {palate || 'the team'}’s palate</span>}
        </p>
        <Link className="ml-auto text-base underline decoration-dotted underline-offset-4" to="/tasting/palates">
          Palates
        </Link>
      </div>
      <ErrorMessage fault={next.error} className="text-lg" />
      {!found && !next.error && <p className="text-lg text-quiet">Searching…</p>}
      {found && (
        <>
          <p className="mb-3 max-w-[75ch] text-lg">
            <strong className="font-semibold">{capital(found.standing.state)}.</strong> {found.standing.sentence}
          </p>
          {found.proposals.length === 0 && (
            <p className="text-lg">No change needed. Make it again, or mark it finished.</p>
          )}
          <ul className="grid grid-cols-[repeat(auto-fit,minmax(min(100%,17rem),1fr))] gap-3">
            {found.proposals.map((proposal) => (
              <ProposalCard
                key={proposal.key + proposal.title}
                proposal={proposal}
                trial={trial}
                nameOf={nameOf}
                busy={laying.isPending}
                onTake={() => take(proposal)}
              />
            ))}
          </ul>
          <OpenOnBenchNotice laying={laying} />
        </>
      )}
    </section>
  );
}

/** Nothing was said yet that could be answered. */
function NotTasted({ drinkId, last, heading }: Pick<Props, 'drinkId' | 'last'> & { heading: string }) {
  return (
    <section aria-label="What to try next" className="panel p-4">
      <h2 className="font-display text-2xl font-semibold">{heading}</h2>
      <p className="mt-1 max-w-prose text-lg">
        {last ? `Trial ${last.number} hasn’t been tasted. ` : ''}Write a tasting note in half a minute. “Too sharp, a
        bit thin” becomes the amounts of the next trial.
      </p>
      {last && (
        <Link className="btn mt-3 min-h-11 text-base" to={`/taste/${drinkId}?trial=${last.number}`}>
          Taste trial {last.number}
        </Link>
      )}
    </section>
  );
}
