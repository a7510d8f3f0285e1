import { Link } from 'react-router';

import type { Tree } from '@/api';
import { TrialNode } from './TrialNode';
import { NAMES_WIDTH, branchPath, type treeLayout, type Placed } from './treeLayout';

type Branch = Tree['branches'][number];

interface Props {
  laid: ReturnType<typeof treeLayout>;
  branches: Branch[];
  narrow: boolean;
  /** Trials, in the order in which they were chosen. */
  chosen: number[];
  onChoose: (id: number) => void;
}

/** Lanes of drinks, their trials, and the ways from parent to child. */
export function TreeDrawing({ laid, branches, narrow, chosen, onChoose }: Props) {
  const { placed, lanes, width, height } = laid;
  return (
    <div className="panel overflow-auto p-4" tabIndex={0} role="region" aria-label="Family tree">
      <div className="relative" style={{ width, height }}>
        <svg width={width} height={height} className="absolute inset-0" aria-hidden>
          {branches.map(({ parent, child }) => (
            <Branch key={`${parent} ${child}`} from={placed.get(parent)} to={placed.get(child)} />
          ))}
        </svg>
        {lanes.map((lane) => (
          <h2
            key={lane.drinkId}
            className="absolute left-0 pr-3 text-lg leading-tight font-semibold"
            style={narrow ? { top: lane.y + 4 } : { top: lane.y + 10, width: NAMES_WIDTH }}
          >
            <Link className="underline decoration-dotted underline-offset-4" to={`/trials/${lane.drinkId}`}>
              {lane.drink}
            </Link>
            <span className={`font-normal text-quiet ${narrow ? 'pl-2' : 'block'}`}>{lane.family}</span>
          </h2>
        ))}
        {[...placed.values()].map(({ node, x, y }) => (
          <TrialNode
            key={node.id}
            node={node}
            at={{ left: x, top: y }}
            branch={branches.find(({ child }) => child === node.id)}
            index={chosen.indexOf(node.id) + 1}
            onChoose={() => onChoose(node.id)}
          />
        ))}
      </div>
    </div>
  );
}

/** From parent to child; dashed where it leads to another drink. */
function Branch({ from, to }: { from: Placed | undefined; to: Placed | undefined }) {
  if (!from || !to) return null;
  const across = from.node.drink_id !== to.node.drink_id;
  return (
    <path
      d={branchPath(from, to)}
      strokeLinejoin="round"
      fill="none"
      className={across ? 'stroke-accent' : 'stroke-neutral'}
      strokeWidth={across ? 2 : 2.5}
      strokeDasharray={across ? '7 5' : undefined}
    />
  );
}
