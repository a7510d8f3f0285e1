import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';

import { type BoardSoFar, correctorRowsQuery, rulesQuery, type Spec, type SwapRow, swapsQuery } from '@/api';
import { type BoardView, useDebouncedValue, useLastDefined, useSettings, useSwapTarget } from '@/hooks';
import { useIngredientSearch, type SearchMatches } from '@/features/ingredient-search';
import { rebalanceRequest, swapsRequest } from './request';

interface BoardRequest {
  spec: Spec;
  parent: Spec;
  pour: number;
  /** The other pours that may move. */
  free: number[];
  words: string;
  kind: string;
}

const IN_VIEW = 20;
const REST_MS = 200;
const NONE: string[] = [];

/** The board of a pour as far as it has come, its rows in the order in which they are looked at, with correctors where they may join. */
export function useBoard({ spec, parent, pour, free, words, kind }: BoardRequest) {
  const { board: view, supposed, palate } = useSettings();
  const aim = useSwapTarget();
  const { data: rules } = useQuery(rulesQuery());
  const request = swapsRequest(spec, parent, pour, [pour, ...free], aim, view, palate);
  const board = useQuery(swapsQuery(request, supposed));
  const searchMatches = useLastDefined(useIngredientSearch(words) ?? undefined);
  const sought = words.trim() ? searchMatches : undefined;
  const rows = useMemo(() => inOrder(board.data, view, sought, kind), [board.data, view, sought, kind]);
  const inView = useDebouncedValue(
    useMemo(() => rows.slice(0, IN_VIEW).map(({ key }) => key), [rows]),
    REST_MS,
  );
  const joining = aim.joining && view.mode === 'rebalance' && board.data?.done === true && inView.length > 0;
  const correctors = rules?.correctors ?? NONE;
  const joined = useQuery(correctorRowsQuery({ ...request, correctors, only: inView }, supposed, joining));
  const better = new Map(joining ? joined.data?.rows.map((row) => [row.key, row]) : []);
  return {
    board,
    /** Whether the rows are those that the words mean. */
    isSettled: !words.trim() || searchMatches?.isSettled === true,
    by: (slug: string) => sought?.of.get(slug)?.by ?? '',
    rows: rows.map((row) => better.get(row.key) ?? row),
    /** What brings the drink back with the pours of a row. */
    requestFor: (row: SwapRow) =>
      rebalanceRequest(
        { ...spec, pours: row.plain.pours },
        parent,
        [pour, ...free],
        aim,
        palate,
        rules?.correctors ?? NONE,
      ),
    kinds: [...new Set(board.data?.rows.map((row) => row.kind))].sort(),
  };
}

/** Rows as the screen wants them: of one share, in the order of one score; with words those that they mean, the likeliest first. */
function inOrder(
  board: BoardSoFar | undefined,
  view: BoardView,
  sought: SearchMatches | undefined,
  kind: string,
): SwapRow[] {
  const place = ({ slug }: SwapRow) => sought?.of.get(slug)?.place ?? 0;
  const rows = board?.rows ?? [];
  const shared = rows.some(({ share }) => share === view.share);
  return rows
    .filter(({ share }) => share === view.share || (share === 1 && !shared))
    .filter((row) => !kind || row.kind === kind)
    .filter(({ slug }) => !sought || sought.of.has(slug))
    .sort(
      (a, b) =>
        place(a) - place(b) ||
        Number(a.loses_bubbles) - Number(b.loses_bubbles) ||
        away(a, view) - away(b, view) ||
        a.scores[view.ranking] - b.scores[view.ranking],
    );
}

/** 1 where a row comes after what is at hand. */
function away({ at_hand }: SwapRow, view: BoardView): number {
  return view.atHand === 'first' && !at_hand ? 1 : 0;
}
