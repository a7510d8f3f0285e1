import { ArrowLeft } from 'lucide-react';
import { useId, useState, type ReactNode } from 'react';

import type { BoardSoFar, Spec } from '@/api';
import { type BoardView, changeSettings, shownKey, useSettings } from '@/hooks';
import { ChoiceChips, IconButton } from '@/ui';
import { BoardHead } from './BoardHead';
import { ColumnLegend } from './ColumnLegend';
import { LockStrip, type Lockable } from './LockStrip';
import { ExcludedCandidates, NoCandidates } from './NoCandidates';
import type { PanelActions } from './panelActions';
import { SwapItem } from './SwapItem';
import { PreviewOrUse } from './PreviewOrUse';
import { useBoard } from './useBoard';
import { useBoardKeyboard } from './useBoardKeyboard';
import { AlternativeChips } from './AlternativeChips';

export interface BoardProps {
  spec: Spec;
  parent: Spec;
  /** The pour that something else is sought for. */
  pour: number;
  /** Its ingredient's name. */
  present: string;
  hasHome: boolean;
  /** The other pours that could move. */
  others: Lockable[];
  trying: boolean;
  /** What else can be done with this pour. */
  more: ReactNode;
  actions: PanelActions;
  /** Takes what was left out, as much as before. */
  onTakeAnyway: (slug: string) => void;
}

const RANKINGS: [BoardView['ranking'], string][] = [
  ['both', 'Both'],
  ['balance', 'Balance'],
  ['aroma', 'Aroma'],
];

/** What else could go in this slot: ranked, each with what it does as poured and once the drink is brought back. */
export function SwapBoard(props: BoardProps) {
  const { spec, parent, pour, present, others, actions, onTakeAnyway } = props;
  const { board: view } = useSettings();
  const [words, setWords] = useState('');
  const [kind, setKind] = useState('');
  const listId = useId();
  const free = others.filter((other) => other.free).map((other) => other.index);
  const { board, rows, kinds, isSettled, by, requestFor } = useBoard({ spec, parent, pour, free, words, kind });
  const walk = useBoardKeyboard(props, rows, isSettled, requestFor);
  const { list, search, place, highlighted } = walk;
  const set = (change: Partial<BoardView>) => changeSettings({ board: { ...view, ...change } });
  return (
    <div className="@container flex min-h-0 grow flex-col overflow-y-auto" onKeyDown={walk.press}>
      <div className="flex flex-wrap items-center gap-2 p-3 pb-2">
        <IconButton icon={ArrowLeft} label="Back to ingredients" hotkey={shownKey('back')} onClick={actions.onBack} />
        <h2 className="min-w-0 grow font-display text-lg leading-tight font-semibold">Instead of {present}</h2>
        <ChoiceChips
          legend="Sort by"
          inLine
          options={RANKINGS}
          value={view.ranking}
          onChoose={(ranking) => set({ ranking })}
        />
      </div>
      <div className="flex max-h-[60%] shrink-0 flex-col gap-2 overflow-y-auto px-3 pb-2">
        <LockStrip pours={others} onToggle={actions.onLock} />
        <BoardHead
          search={search}
          words={words}
          onWords={setWords}
          isBase={spec.pours[pour]?.slot === 'base'}
          settings={{ view, set, hasHome: props.hasHome, actions: props.more, kind, kinds, onKind: setKind }}
        />
      </div>
      <ColumnLegend />
      <BoardProgress board={board.data} error={board.error} />
      {board.data && rows.length === 0 && (
        <NoCandidates
          words={words}
          isSettled={isSettled}
          atHand={view.atHand === 'only'}
          onWords={setWords}
          onAny={() => set({ atHand: 'any' })}
        />
      )}
      <div className="min-h-44 grow overflow-y-auto max-[1199px]:max-h-[60vh]">
        <div
          ref={list}
          id={listId}
          role="listbox"
          tabIndex={0}
          aria-label="Candidates"
          aria-activedescendant={highlighted && `${listId}-${highlighted.key}`}
          className={`group px-1.5 pb-2 outline-none ${board.isPlaceholderData ? 'opacity-60' : ''}`}
        >
          {board.data?.present &&
            rows.map((row, index) => (
              <SwapItem
                key={row.key}
                id={`${listId}-${row.key}`}
                row={row}
                by={by(row.slug)}
                present={present}
                colour={board.data.present?.colour ?? '#ffffff'}
                ounceMl={spec.ounce_ml}
                highlighted={index === place}
                onPoint={() => walk.to(index)}
                onHover={(over) => walk.point(over ? row.key : null)}
              />
            ))}
        </div>
        {board.data && <ExcludedCandidates board={board.data} words={words} onTake={onTakeAnyway} />}
      </div>
      {view.mode === 'rebalance' && (
        <AlternativeChips ways={walk.ways} chosen={walk.wayInHand} ounceMl={spec.ounce_ml} onChoose={walk.walk} />
      )}
      {highlighted && <PreviewOrUse trying={props.trying} onTry={walk.tryOn} onTake={walk.take} />}
    </div>
  );
}

/** How far the search has come, or why it can't. */
function BoardProgress({ board, error }: { board: BoardSoFar | undefined; error: Error | null }) {
  if (error) return <p className="px-4 py-2 text-error">{error.message}</p>;
  if (!board) return <p className="px-4 py-2 text-quiet">Searching…</p>;
  if (board.done) return null;
  return (
    <progress
      className="progress mx-3 w-auto"
      aria-label={`Searched ${board.searched} of ${board.total}`}
      value={board.searched}
      max={board.total}
    />
  );
}
