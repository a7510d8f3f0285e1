import { Link } from 'react-router';

import { asSentence } from '@/lib/format';
import { Notice } from '@/ui/Notice';
import type { OpenOnBench } from './useOpenOnBench';

/** Asks what becomes of what lies on the bench, where it is kept as no trial; and tells why nothing was laid there. */
export function OpenOnBenchNotice({ laying }: { laying: OpenOnBench }) {
  const { asking, error, isPending, goOn, leaveIt, bench } = laying;
  if (!asking && !error) return null;
  return (
    <Notice
      text={error ? asSentence(error.message) : 'Your changes aren’t saved as a trial. Opening this replaces them.'}
    >
      {asking && (
        <>
          <button type="button" className="btn btn-primary min-h-11" disabled={isPending} onClick={() => goOn(true)}>
            Save a trial first
          </button>
          <button type="button" className="btn min-h-11" disabled={isPending} onClick={() => goOn(false)}>
            Replace them
          </button>
          <Link className="btn min-h-11" to={bench} onClick={leaveIt}>
            See the bench first
          </Link>
          <button type="button" className="btn btn-ghost min-h-11" onClick={leaveIt}>
            Cancel
          </button>
        </>
      )}
    </Notice>
  );
}
