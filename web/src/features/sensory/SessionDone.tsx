import { useState } from 'react';
import { Link, useNavigate } from 'react-router';

import { type TrainingSession, useRemoveSession } from '@/api';
import { Button, ErrorMessage } from '@/ui';

/** Where one came from: what is known of who tasted first. */
export const tasterPath = ({ turns }: TrainingSession) =>
  `/tasting/training?taster=${encodeURIComponent(turns[0]?.taster ?? '')}`;

/** After the last triangle: what was learnt, or the whole taken back where the wrong bottle was poured. */
export function SessionDone({ sitting }: { sitting: TrainingSession }) {
  const go = useNavigate();
  const [asking, setAsking] = useState(false);
  const back = useRemoveSession();
  const remove = () =>
    back.mutate({ params: { path: { sitting_id: sitting.id } } }, { onSuccess: () => void go(tasterPath(sitting)) });
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
      <Button
        look="outline"
        className="self-start"
        disabled={back.isPending}
        onClick={() => (asking ? remove() : setAsking(true))}
      >
        {asking ? 'Yes, delete this session' : 'Delete this session'}
      </Button>
      <ErrorMessage fault={back.error} className="text-error" />
    </section>
  );
}
