import { useMutation } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';

import { ASKS, combineTrials, fetchDrink, type Spec, type TreeNode, useCreateDrink } from '@/api';
import { capital } from '@/lib';
import { Button } from '@/ui';

interface Props {
  nodes: TreeNode[];
  onClear: () => void;
}

/** What can be done with the chosen: open and riff from one, cross two or three. */
export function Selection({ nodes, onClear }: Props) {
  const navigate = useNavigate();
  const { mutateAsync: create } = useCreateDrink();
  const begin = useMutation({
    ...ASKS,
    mutationFn: async (parents: TreeNode[]) => create({ body: await drinkFrom(parents) }),
    onSuccess: ({ id }) => void navigate(`/bench/${id}`),
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
      <Button look="primary" disabled={begin.isPending} onClick={() => begin.mutate(nodes)}>
        {alone ? 'Riff as a new drink' : 'Combine'}
      </Button>
      <Button look="ghost" onClick={onClear}>
        Clear
      </Button>
      {begin.error && <p role="alert">{capital(begin.error.message)}</p>}
    </section>
  );
}

function calledOf(node: TreeNode): string {
  return `${node.drink}, trial ${node.number}`;
}

/** A drink begun from trials of others: a riff on one, a cross of several. */
async function drinkFrom(parents: TreeNode[]) {
  const [first] = parents;
  if (!first) throw new Error('nothing is chosen');
  const crossed = parents.length > 1;
  const spec = crossed ? await combineTrials(parents.map(({ id }) => id)) : await specOf(first);
  const name = crossed ? spec.name : `A riff on ${first.drink}`;
  return {
    name,
    spec: { ...spec, name },
    trial_name: crossed ? 'Combined' : 'Copy of the original',
    reason: `From ${parents.map(calledOf).join(' and ')}.`,
    parents: parents.map(({ id }) => id),
    notes: '',
  };
}

async function specOf({ id, drink_id }: TreeNode): Promise<Spec> {
  const drink = await fetchDrink(drink_id);
  const trial = drink.trials.find((item) => item.id === id);
  if (!trial) throw new Error('that trial is gone');
  return trial.spec;
}
