import { Check, MessageCircle, Pause } from 'lucide-react';

import type { TreeNode } from '@/api';
import { NODE_SIZE } from './treeLayout';

interface Props {
  node: TreeNode;
  at: { left: number; top: number };
  branch: { change: string; effect: string } | undefined;
  /** Which of the chosen it is, from 1; 0 for none of them. */
  index: number;
  onChoose: () => void;
}

/** A trial: what changed on the way to it, what that does, and what became of it. */
export function TrialNode({ node, at, branch, index: place, onChoose }: Props) {
  const change = branch ? `${branch.change}${branch.effect ? `: ${branch.effect.toLowerCase()}` : ''}` : node.name;
  return (
    <button
      type="button"
      aria-pressed={place > 0}
      title={`${node.name}. ${change}`}
      className={`absolute flex cursor-pointer flex-col overflow-hidden rounded-xl border bg-base-100 px-2.5 py-1.5 text-left hover:bg-secondary ${place > 0 ? 'border-2 border-base-content' : 'border-neutral'} ${node.mark === 'shelved' ? 'border-dashed text-quiet' : ''}`}
      style={{ ...at, width: NODE_SIZE.width, height: NODE_SIZE.height }}
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
        {branch ? branch.change : 'first version'}
      </span>
      <span className="sr-only">
        {node.sheets > 0 && ', tasted'}
        {node.mark && `, ${node.mark}`}
      </span>
    </button>
  );
}
