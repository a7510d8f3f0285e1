import { useEffect, useRef, useState, type KeyboardEvent } from 'react';

import { type Rebalanced, type RebalanceRequest, type SwapRow, useRebalance } from '@/api';
import { isPressed, useDebouncedValue, useLatest } from '@/hooks';
import type { BoardProps } from './SwapBoard';
import { landingPoint, useAlternatives } from './useAlternatives';

/** So long a row is in the hand before its ways are asked for. */
const REST_MS = 250;
/** Stands for a question that isn't asked. */
const NOTHING = { spec: {}, target: {} } as RebalanceRequest;

const poursOf = (row: SwapRow) => (row.mended ?? row.plain).pours;

/** The hand on the board: it walks the rows, tries one on, takes it, and its ghost follows on the field. */
export function useBoardKeyboard(
  { others, trying, actions: { onLock, onGhost, onTry, onTake, onBack } }: BoardProps,
  rows: SwapRow[],
  /** Whether the rows are those that the typed words mean. */
  isSettled: boolean,
  /** What the drink with a row's pours is brought back by. */
  requestFor: (row: SwapRow) => RebalanceRequest,
) {
  const [pointed, setPointed] = useState<string | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  const list = useRef<HTMLDivElement>(null);
  const search = useRef<HTMLInputElement>(null);
  const value = rows.findIndex(({ key }) => key === chosen);
  const place = Math.max(0, value);
  const highlighted = rows[place];
  const inHand = useDebouncedValue(highlighted, REST_MS);
  const hasWays = inHand !== undefined && inHand.share === 1 && !inHand.helper && inHand.mended !== null;
  const answer = useAnswer(hasWays ? inHand : undefined, requestFor);
  const { ways, way, chosen: wayInHand, choose } = useAlternatives(inHand === highlighted ? answer : undefined);
  const looked = rows.find(({ key }) => key === pointed) ?? highlighted;
  // The ghost follows the highlight, or the mouse over another row; the field that shows it belongs to the bench.
  useEffect(() => {
    const { name = '', plain, mended } = looked ?? {};
    const landing = looked === highlighted && wayInHand > 0 && way ? landingPoint(way) : mended?.figures;
    onGhost(plain && !trying ? { name, path: [plain.figures, ...(landing ? [landing] : [])] } : null);
  }, [looked, highlighted, way, wayInHand, trying, onGhost]);
  useEffect(() => {
    list.current?.querySelector('[aria-selected=true]')?.scrollIntoView({ block: 'nearest' });
    // The ways of the row in the hand take room at the foot.
  }, [place, ways.length]);
  // The board takes the keys as soon as it is open.
  useEffect(() => list.current?.focus({ preventScroll: true }), []);

  const to = (index: number) => {
    const next = rows[Math.max(0, Math.min(index, rows.length - 1))];
    if (!next) return;
    setChosen(next.key);
    if (trying) onTry(poursOf(next), next.name);
  };
  const chosenPours = (row: SwapRow) => (wayInHand > 0 && way ? way.spec.pours : poursOf(row));
  const take = () => highlighted && onTake(chosenPours(highlighted), highlighted.slug);
  const walk = (index: number) => {
    const next = ways[choose(index)];
    if (next && trying && highlighted) onTry(next.spec.pours, highlighted.name);
  };
  // Enter may come before the answer to the last letter: it means what these words find.
  const isAwaited = useRef(false);
  const takeLater = useLatest(take);
  useEffect(() => {
    if (!isAwaited.current || !isSettled) return;
    isAwaited.current = false;
    takeLater.current();
  }, [isSettled, takeLater]);
  const takeFound = () => {
    if (isSettled) take();
    else isAwaited.current = true;
  };
  const tryOn = () => highlighted && onTry(trying ? null : chosenPours(highlighted), highlighted.name);
  const press = (event: KeyboardEvent) => {
    const typing = event.target instanceof HTMLElement ? event.target.closest('input, select') : null;
    const ofTheList = event.target === list.current || event.target === search.current;
    const locked = others[Number(event.key) - 1];
    if (isPressed(event, 'back')) (trying ? () => onTry(null, '') : onBack)();
    else if (event.key === 'ArrowDown' && !typing?.matches('select')) to(place + 1);
    else if (event.key === 'ArrowUp' && !typing?.matches('select')) to(place - 1);
    else if ((event.key === 'ArrowRight' || event.key === 'ArrowLeft') && ways.length > 1 && !typing)
      walk(wayInHand + (event.key === 'ArrowRight' ? 1 : -1));
    else if (event.key === 'Home' && !typing) to(0);
    else if (event.key === 'End' && !typing) to(rows.length - 1);
    else if (isPressed(event, 'take') && ofTheList) takeFound();
    else if (typing || event.ctrlKey || event.metaKey || event.altKey) return;
    else if (isPressed(event, 'tryOn')) tryOn();
    else if (isPressed(event, 'search')) search.current?.focus();
    else if (locked) onLock(locked.index);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return { list, search, place, highlighted, to, point: setPointed, take, tryOn, press, ways, wayInHand, walk };
}

/** What brings back the drink with a row's pours; nothing while no row is in the hand. */
function useAnswer(row: SwapRow | undefined, requestFor: (row: SwapRow) => RebalanceRequest): Rebalanced | undefined {
  const { data, isPlaceholderData } = useRebalance(row ? requestFor(row) : NOTHING, row !== undefined);
  return row && !isPlaceholderData ? data : undefined;
}
