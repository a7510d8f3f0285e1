import { Link } from 'react-router';

import { asSentence } from '@/lib';
import { Button, Notice } from '@/ui';
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
          <Button look="primary" disabled={isPending} onClick={() => goOn(true)}>
            Save a trial first
          </Button>
          <Button disabled={isPending} onClick={() => goOn(false)}>
            Replace them
          </Button>
          <Link className="btn min-h-11" to={bench} onClick={leaveIt}>
            See the bench first
          </Link>
          <Button look="ghost" onClick={leaveIt}>
            Cancel
          </Button>
        </>
      )}
    </Notice>
  );
}
