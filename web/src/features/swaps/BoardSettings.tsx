import type { ReactNode } from 'react';

import type { BoardView } from '../../lib/settings';
import { AimSettings } from './AimSettings';
import { Wishes } from './Wishes';

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
  ['rebalance', 'and bring the drink back'],
  ['pour', 'measure for measure'],
  ['hold_sugar', 'holding its sweetness'],
  ['hold_acid', 'holding its acidity'],
  ['hold_abv', 'holding its strength'],
];

/** How it is swapped, toward what, and what is wanted. */
export function BoardSettings({ view, set, hasHome, actions, kind, kinds, onKind }: Props) {
  return (
    <div className="border-t border-base-300 pt-2">
      <p className="pb-2 text-base">{actions}</p>
      <label className="flex flex-wrap items-center gap-2 pb-2 text-base">
        Swap it
        <select
          className="select min-h-11 w-auto text-base"
          value={view.mode}
          onChange={(event) => set({ mode: event.target.value as BoardView['mode'] })}
        >
          {MODES.map(([mode, told]) => (
            <option key={mode} value={mode}>
              {told}
            </option>
          ))}
        </select>
      </label>
      <AimSettings hasHome={hasHome} />
      <Wishes view={view} set={set} />
      <label className="flex flex-wrap items-center gap-2 pt-1 text-base">
        Of the kind
        <select
          className="select min-h-11 w-auto text-base"
          value={kind}
          onChange={(event) => onKind(event.target.value)}
        >
          <option value="">any</option>
          {kinds.map((each) => (
            <option key={each}>{each}</option>
          ))}
        </select>
      </label>
    </div>
  );
}
