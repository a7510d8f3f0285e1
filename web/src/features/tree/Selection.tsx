import { useMutation } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';

import { client, unwrap } from '@/api/client';
import type { Spec, TreeNode } from '@/api/types';
import { useShowDrink } from '@/api/queries/drinks';
import { capital } from '@/lib/format';

interface Props {
  nodes: TreeNode[];
  onClear: () => void;
}

/** What can be done with the chosen: open and riff from one, cross two or three. */
export function Selection({ nodes, onClear }: Props) {
  const navigate = useNavigate();
  const tell = useShowDrink();
  const begin = useMutation({
    mutationFn: begun,
    onSuccess: (drink) => {
      tell(drink);
      void navigate(`/bench/${drink.id}`);
    },
  });
  const [first] = nodes;
  if (!first) {
    return (
      <p className="text-lg text-quiet">
        Choose a trial to open it or riff on it. Choose two or three to combine them.
      </p>
    );
  }
  const alone = nodes.length === 1;
  return (
    <section
      aria-label="Chosen"
      className="panel sticky top-2 z-10 flex flex-wrap items-center gap-2 border-base-content p-2.5"
    >
      <p className="min-w-48 grow text-lg font-semibold">{nodes.map(calledOf).join(' × ')}</p>
      {alone && (
        <Link className="btn min-h-11 text-base" to={`/bench/${first.drink_id}/trials/${first.number}`}>
          Open
        </Link>
      )}
      <button
        type="button"
        className="btn btn-primary min-h-11 text-base"
        disabled={begin.isPending}
        onClick={() => begin.mutate(nodes)}
      >
        {alone ? 'Riff as a new drink' : 'Combine'}
      </button>
      <button type="button" className="btn btn-ghost min-h-11 text-base" onClick={onClear}>
        Clear
      </button>
      {begin.error && <p role="alert">{capital(begin.error.message)}</p>}
    </section>
  );
}

function calledOf(node: TreeNode): string {
  return `${node.drink}, trial ${node.number}`;
}

/** A drink begun from trials of others: a riff on one, a cross of several. */
async function begun(parents: TreeNode[]) {
  const [first] = parents;
  if (!first) throw new Error('nothing is chosen');
  const crossed = parents.length > 1;
  const spec = crossed ? await crossOf(parents) : await specOf(first);
  const name = crossed ? spec.name : `A riff on ${first.drink}`;
  const body = {
    name,
    spec: { ...spec, name },
    trial_name: crossed ? 'Combined' : 'Copy of the original',
    reason: `From ${parents.map(calledOf).join(' and ')}.`,
    parents: parents.map(({ id }) => id),
    notes: '',
  };
  return unwrap(await client.POST('/api/drinks', { body }));
}

async function crossOf(parents: TreeNode[]): Promise<Spec> {
  return unwrap(await client.POST('/api/cross', { body: { parents: parents.map(({ id }) => id) } }));
}

async function specOf({ id, drink_id }: TreeNode): Promise<Spec> {
  const drink = unwrap(await client.GET('/api/drinks/{drink_id}', { params: { path: { drink_id } } }));
  const trial = drink.trials.find((item) => item.id === id);
  if (!trial) throw new Error('that trial is gone');
  return trial.spec;
}
