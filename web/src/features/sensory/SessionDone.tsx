import { useState } from 'react';
import { Link, useNavigate } from 'react-router';

import { api } from '@/api/client';
import type { TrainingSession } from '@/api/types';
import { ErrorMessage } from '@/ui/ErrorMessage';

/** Where one came from: what is known of who tasted first. */
export const tasterPath = ({ turns }: TrainingSession) =>
  `/tasting/training?taster=${encodeURIComponent(turns[0]?.taster ?? '')}`;

/** After the last triangle: what was learnt, or the whole taken back where the wrong bottle was poured. */
export function SessionDone({ sitting }: { sitting: TrainingSession }) {
  const go = useNavigate();
  const [asking, setAsking] = useState(false);
  const back = api.useMutation('delete', '/api/sittings/{sitting_id}', {
    onSuccess: () => void go(tasterPath(sitting)),
  });
  return (
    <section aria-label="Results" className="panel flex flex-col gap-3 p-4">
      <h2 className="font-display text-2xl leading-tight font-semibold">Finished</h2>
      {sitting.turns.map(({ taster }) => (
        <Link
          key={taster}
          to={`/tasting/training?taster=${encodeURIComponent(taster)}`}
          className="btn btn-primary btn-lg justify-start"
        >
          Palate of {taster}
        </Link>
      ))}
      <button
        type="button"
        className="btn btn-ghost min-h-11 self-start border-base-300 text-base font-normal"
        disabled={back.isPending}
        onClick={() => (asking ? back.mutate({ params: { path: { sitting_id: sitting.id } } }) : setAsking(true))}
      >
        {asking ? 'Yes, delete this session' : 'Delete this session'}
      </button>
      <ErrorMessage fault={back.error} className="text-error" />
    </section>
  );
}
