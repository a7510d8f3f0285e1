import type { ReactNode } from 'react';

import type { BoardView } from '@/hooks';
import { Select } from '@/ui';
import { TargetSettings } from './TargetSettings';
import { CandidateFilters } from './CandidateFilters';

interface Props {
  view: BoardView;
  set: (change: Partial<BoardView>) => void;
  hasHome: boolean;
  /** What else can be done with this pour. */
  actions: ReactNode;
  kind: string;
  /** Kinds that are on the board. */
  kinds: string[];
  onKind: (kind: string) => void;
}

const MODES: [BoardView['mode'], string][] = [
  ['rebalance', 'and rebalance'],
  ['pour', '1:1'],
  ['hold_sugar', 'keep the sweetness'],
  ['hold_acid', 'keep the acidity'],
  ['hold_abv', 'keep the strength'],
];

/** How it is swapped, toward what, and what is wanted. */
export function BoardSettings({ view, set, hasHome, actions, kind, kinds, onKind }: Props) {
  return (
    <div className="border-t border-base-300 pt-2">
      <p className="pb-2 text-base">{actions}</p>
      <label className="flex flex-wrap items-center gap-2 pb-2 text-base">
        Swap it
        <Select value={view.mode} options={MODES} onPick={(mode) => set({ mode })} />
      </label>
      <TargetSettings hasHome={hasHome} />
      <CandidateFilters view={view} set={set} />
      <label className="flex flex-wrap items-center gap-2 pt-1 text-base">
        of kind
        <Select
          value={kind}
          options={[['', 'any'], ...kinds.map((item): [string, string] => [item, item])]}
          onPick={onKind}
        />
      </label>
    </div>
  );
}
