import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Check, MessageCircle, Pause } from 'lucide-react';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';

import { client, unwrap, type TreeNode } from '../../api/client';
import { capital } from '../../lib/format';
import { TopBar } from '../../shell/TopBar';
import { Waiting } from '../../shell/Waiting';
import { layTree, NAMES, NODE, wayOf } from './treeLayout';

const MOST_PARENTS = 3;

const treeQuery = () =>
  queryOptions({
    queryKey: ['tree'],
    queryFn: async ({ signal }) => unwrap(await client.GET('/api/tree', { signal })),
    staleTime: 0,
  });

/** Who descends from whom, with the change on each branch; from any node a riff, from two or three a cross. */
export function TreePage() {
  const [query, setQuery] = useSearchParams();
  const [chosen, setChosen] = useState<number[]>([]);
  const narrow = useNarrow();
  const tree = useQuery(treeQuery());
  useEffect(() => {
    document.title = 'Family tree · Oenomel';
    return () => {
      document.title = 'Oenomel';
    };
  }, []);
  if (!tree.data) return <Waiting error={tree.error} />;
  const family = query.get('family') ?? '';
  const families = [...new Set(tree.data.nodes.map((node) => node.family))];
  const shown = {
    ...tree.data,
    nodes: tree.data.nodes.filter((node) => !family || node.family === family),
  };
  const { placed, lanes, width, height } = layTree(shown, narrow);
  const picked = chosen.flatMap((id) => placed.get(id)?.node ?? []);
  const toggle = (id: number) =>
    setChosen(chosen.includes(id) ? chosen.filter((each) => each !== id) : [...chosen, id].slice(-MOST_PARENTS));
  return (
    <div className="mx-auto flex min-h-dvh max-w-[1440px] flex-col gap-3 p-3">
      <TopBar />
      <main className="flex min-w-0 flex-col gap-3">
        <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
          <h1 className="font-display text-3xl font-semibold">Family tree</h1>
          {families.length > 1 && (
            <div role="group" aria-label="Family" className="flex flex-wrap gap-1.5">
              {['', ...families].map((each) => (
                <button
                  key={each}
                  type="button"
                  aria-pressed={family === each}
                  className={`btn min-h-11 px-3 text-base font-normal ${family === each ? 'btn-primary' : 'btn-ghost border-base-300'}`}
                  onClick={() => setQuery(each ? { family: each } : {})}
                >
                  {capital(each) || 'All'}
                </button>
              ))}
            </div>
          )}
          <p className="flex flex-wrap items-center gap-x-4 text-base text-quiet">
            <span className="flex items-center gap-1">
              <MessageCircle size={16} aria-hidden /> tasted
            </span>
            <span className="flex items-center gap-1 text-success">
              <Check size={16} aria-hidden /> finished
            </span>
            <span className="flex items-center gap-1">
              <Pause size={16} aria-hidden /> shelved
            </span>
          </p>
        </div>
        {tree.data.nodes.length === 0 ? (
          <p className="panel max-w-prose p-6 text-lg">
            No trial is kept yet. Start a drink in the book; every trial that you keep grows here out of the one it was
            changed from.
          </p>
        ) : (
          <>
            <Picked nodes={picked} onClear={() => setChosen([])} />
            <div className="panel overflow-auto p-4" tabIndex={0} role="region" aria-label="The tree">
              <div className="relative" style={{ width, height }}>
                <svg width={width} height={height} className="absolute inset-0" aria-hidden>
                  {shown.branches.map(({ parent, child }) => {
                    const from = placed.get(parent);
                    const to = placed.get(child);
                    if (!from || !to) return null;
                    const across = from.node.drink_id !== to.node.drink_id;
                    return (
                      <path
                        key={`${parent} ${child}`}
                        d={wayOf(from, to)}
                        strokeLinejoin="round"
                        fill="none"
                        className={across ? 'stroke-accent' : 'stroke-neutral'}
                        strokeWidth={across ? 2 : 2.5}
                        strokeDasharray={across ? '7 5' : undefined}
                      />
                    );
                  })}
                </svg>
                {lanes.map((lane) => (
                  <h2
                    key={lane.drinkId}
                    className="absolute left-0 pr-3 text-lg leading-tight font-semibold"
                    style={narrow ? { top: lane.y + 4 } : { top: lane.y + 10, width: NAMES }}
                  >
                    <Link className="underline decoration-dotted underline-offset-4" to={`/trials/${lane.drinkId}`}>
                      {lane.drink}
                    </Link>
                    <span className={`font-normal text-quiet ${narrow ? 'pl-2' : 'block'}`}>{lane.family}</span>
                  </h2>
                ))}
                {[...placed.values()].map(({ node, x, y }) => (
                  <Node
                    key={node.id}
                    node={node}
                    at={{ left: x, top: y }}
                    branch={shown.branches.find(({ child }) => child === node.id)}
                    place={chosen.indexOf(node.id) + 1}
                    onChoose={() => toggle(node.id)}
                  />
                ))}
              </div>
            </div>
            {tree.data.more && (
              <p className="text-base text-quiet">There are more trials than fit here: choose a family.</p>
            )}
          </>
        )}
      </main>
    </div>
  );
}

const NARROW = '(max-width: 759px)';

/** Whether the window is too narrow for names beside the lanes. */
function useNarrow(): boolean {
  return useSyncExternalStore(
    (tell) => {
      const query = matchMedia(NARROW);
      query.addEventListener('change', tell);
      return () => query.removeEventListener('change', tell);
    },
    () => matchMedia(NARROW).matches,
  );
}

interface NodeProps {
  node: TreeNode;
  at: { left: number; top: number };
  branch: { change: string; effect: string } | undefined;
  /** Which of the chosen it is, from 1; 0 for none of them. */
  place: number;
  onChoose: () => void;
}

/** A trial: what changed on the way to it, what that does, and what became of it. */
function Node({ node, at, branch, place, onChoose }: NodeProps) {
  const tells = branch ? `${branch.change}${branch.effect ? `: ${branch.effect.toLowerCase()}` : ''}` : node.name;
  return (
    <button
      type="button"
      aria-pressed={place > 0}
      title={`${node.name}. ${tells}`}
      className={`absolute flex cursor-pointer flex-col overflow-hidden rounded-xl border bg-base-100 px-2.5 py-1.5 text-left hover:bg-secondary ${place > 0 ? 'border-2 border-base-content' : 'border-neutral'} ${node.mark === 'shelved' ? 'border-dashed text-quiet' : ''}`}
      style={{ ...at, width: NODE.width, height: NODE.height }}
      onClick={onChoose}
    >
      <span className="sr-only">
        {node.drink}, trial {node.number}.{' '}
      </span>
      <span className="flex items-center gap-1.5 text-base leading-tight font-semibold">
        <span className="min-w-0 grow truncate">
          {node.number}. {node.name}
        </span>
        {place > 0 && (
          <span className="grid size-5 shrink-0 place-items-center rounded-full bg-primary text-sm text-primary-content">
            {place}
          </span>
        )}
        {node.sheets > 0 && <MessageCircle size={15} aria-hidden className="shrink-0" />}
        {node.mark === 'finished' && <Check size={17} aria-hidden className="shrink-0 text-success" />}
        {node.mark === 'shelved' && <Pause size={15} aria-hidden className="shrink-0" />}
      </span>
      {branch?.effect && <span className="truncate text-base leading-tight">{branch.effect}</span>}
      <span className={`text-sm leading-tight text-quiet ${branch?.effect ? 'line-clamp-2' : 'line-clamp-3'}`}>
        {branch ? branch.change : 'where it starts'}
      </span>
      <span className="sr-only">
        {node.sheets > 0 && ', tasted'}
        {node.mark && `, ${node.mark}`}
      </span>
    </button>
  );
}

/** What can be done with the chosen: open and riff from one, cross two or three. */
function Picked({ nodes, onClear }: { nodes: TreeNode[]; onClear: () => void }) {
  const navigate = useNavigate();
  const queryClient = useQueryClient();
  const begin = useMutation({
    mutationFn: async (parents: TreeNode[]) => {
      const [first] = parents;
      if (!first) throw new Error('nothing is chosen');
      const ids = parents.map(({ id }) => id);
      const drink = unwrap(
        await client.GET('/api/drinks/{drink_id}', { params: { path: { drink_id: first.drink_id } } }),
      );
      const own = drink.trials.find(({ id }) => id === first.id)?.spec;
      const spec = parents.length > 1 ? unwrap(await client.POST('/api/cross', { body: { parents: ids } })) : own;
      if (!spec) throw new Error('that trial is gone');
      const name = parents.length > 1 ? spec.name : `A riff on ${first.drink}`;
      const from = parents.map((each) => `${each.drink}, trial ${each.number}`).join(' and ');
      return unwrap(
        await client.POST('/api/drinks', {
          body: {
            name,
            spec: { ...spec, name },
            trial_name: parents.length > 1 ? 'Crossed' : 'As its parent',
            reason: `From ${from}.`,
            parents: ids,
          },
        }),
      );
    },
    onSuccess: async (drink) => {
      await Promise.all([['tree'], ['drinks']].map((queryKey) => queryClient.invalidateQueries({ queryKey })));
      await navigate(`/bench/${drink.id}`);
    },
  });
  const [first] = nodes;
  if (!first) {
    return (
      <p className="text-lg text-quiet">
        Choose a trial to open it or to riff from it; choose two or three, and they can be crossed.
      </p>
    );
  }
  const told = nodes.map((node) => `${node.drink}, trial ${node.number}`);
  return (
    <section
      aria-label="Chosen"
      className="panel sticky top-2 z-10 flex flex-wrap items-center gap-2 border-base-content p-2.5"
    >
      <p className="min-w-48 grow text-lg font-semibold">{told.join(' × ')}</p>
      {nodes.length === 1 ? (
        <>
          <Link className="btn min-h-11 text-base" to={`/bench/${first.drink_id}/trials/${first.number}`}>
            Open
          </Link>
          <button
            type="button"
            className="btn btn-primary min-h-11 text-base"
            disabled={begin.isPending}
            onClick={() => begin.mutate(nodes)}
          >
            Riff as a new drink
          </button>
        </>
      ) : (
        <button
          type="button"
          className="btn btn-primary min-h-11 text-base"
          disabled={begin.isPending}
          onClick={() => begin.mutate(nodes)}
        >
          Cross them
        </button>
      )}
      <button type="button" className="btn btn-ghost min-h-11 text-base" onClick={onClear}>
        Choose none
      </button>
      {begin.error && <p role="alert">{capital(begin.error.message)}</p>}
    </section>
  );
}
