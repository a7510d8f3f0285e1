import { useQuery } from '@tanstack/react-query';
import { ArrowLeft, Search, SlidersHorizontal } from 'lucide-react';
import { useEffect, useId, useMemo, useRef, useState, type ReactNode } from 'react';
import { Link } from 'react-router';

import type { PourEntry, Spec, SwapRow } from '../../api/client';
import { changeSettings, useSettings, type BoardView } from '../../lib/settings';
import { Fold } from '../../ui/Fold';
import { AxisMark } from '../../ui/AxisMark';
import { IconButton } from '../../ui/IconButton';
import { useRested } from '../../ui/useRested';
import { AimSettings, Check } from './AimSettings';
import { LockStrip, type Lockable } from './LockStrip';
import { CORRECTORS, swapsRequest } from './request';
import { SwapItem } from './SwapItem';
import { TryOrTake } from './TryOrTake';
import { joinedQuery, swapsQuery, type BoardSoFar } from './useSwaps';

/** Where a candidate leads on the field: as poured, and once it is brought back. */
export interface Ghost {
  name: string;
  path: { sugar: number; acid: number; abv: number }[];
}

interface Props {
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
  actions: ReactNode;
  onLock: (index: number) => void;
  onGhost: (ghost: Ghost | null) => void;
  /** Pours to look at without taking them; null takes them off again. */
  onTry: (pours: PourEntry[] | null, name: string) => void;
  onTake: (pours: PourEntry[], slug: string) => void;
  onBack: () => void;
}

const RANKINGS: [BoardView['ranking'], string][] = [
  ['both', 'Both'],
  ['balance', 'Balance'],
  ['aroma', 'Aroma'],
];
const SHARES: [BoardView['share'], string][] = [
  [1, 'All of it'],
  [0.5, 'Half'],
  [0.25, 'A quarter'],
];
const MODES: [BoardView['mode'], string][] = [
  ['rebalance', 'and bring the drink back'],
  ['pour', 'measure for measure'],
  ['hold_sugar', 'holding its sweetness'],
  ['hold_acid', 'holding its acidity'],
  ['hold_abv', 'holding its strength'],
];
const AT_HAND: [BoardView['atHand'], string][] = [
  ['any', 'The whole larder'],
  ['first', 'At hand first'],
  ['only', 'Only at hand'],
];
const ALLERGENS = ['egg', 'milk', 'nuts', 'sulphites', 'gluten', 'soya', 'celery', 'sesame'];
const AXIS_WORDS = { sugar: 'sweet', acid: 'sharp', abv: 'strong' } as const;
const IN_VIEW = 20;
const REST_MS = 200;

/** What else could go in this slot: ranked, each with what it does as poured and once the drink is brought back. */
export function SwapBoard(props: Props) {
  const { spec, parent, pour, present, others, trying, onGhost, onTry, onTake, onBack, onLock } = props;
  const { aim, board: view, supposed, palate } = useSettings();
  const [words, setWords] = useState('');
  const [asking, setAsking] = useState(false);
  const [kind, setKind] = useState('');
  const [pointed, setPointed] = useState<string | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  const list = useRef<HTMLDivElement>(null);
  const search = useRef<HTMLInputElement>(null);
  const listId = useId();
  const set = (change: Partial<BoardView>) => changeSettings({ board: { ...view, ...change } });

  const free = [pour, ...others.filter((each) => each.free).map((each) => each.index)];
  const request = swapsRequest(spec, parent, pour, free, aim, view, palate);
  const board = useQuery(swapsQuery(request, supposed));
  const rows = useMemo(() => inOrder(board.data, view, words, kind), [board.data, view, words, kind]);
  const kinds = [...new Set(board.data?.rows.map((row) => row.kind))].sort();
  const inView = useRested(
    useMemo(() => rows.slice(0, IN_VIEW).map(({ key }) => key), [rows]),
    REST_MS,
  );
  const joining = aim.joining && view.mode === 'rebalance' && board.data?.done === true && inView.length > 0;
  const joined = useQuery(joinedQuery({ ...request, correctors: CORRECTORS, only: inView }, supposed, joining));
  const better = new Map(joining ? joined.data?.rows.map((row) => [row.key, row]) : []);
  const shown = rows.map((row) => better.get(row.key) ?? row);
  const place = Math.max(
    0,
    shown.findIndex(({ key }) => key === chosen),
  );
  const highlighted = shown[place];

  // The ghost follows the highlight, or the mouse over another row; the field that shows it belongs to the bench.
  const looked = shown.find(({ key }) => key === pointed) ?? highlighted;
  useEffect(() => {
    const { name = '', plain, mended } = looked ?? {};
    onGhost(plain && !trying ? { name, path: [plain.figures, ...(mended ? [mended.figures] : [])] } : null);
  }, [looked, trying, onGhost]);
  useEffect(() => {
    list.current?.querySelector('[aria-selected=true]')?.scrollIntoView({ block: 'nearest' });
  }, [place]);
  // The board takes the keys as soon as it is open.
  useEffect(() => list.current?.focus({ preventScroll: true }), []);

  const pours = (row: SwapRow) => (row.mended ?? row.plain).pours;
  const walk = (to: number) => {
    const next = shown[Math.max(0, Math.min(to, shown.length - 1))];
    if (!next) return;
    setChosen(next.key);
    if (trying) onTry(pours(next), next.name);
  };
  const take = () => highlighted && onTake(pours(highlighted), highlighted.slug);
  const tryOn = () => highlighted && onTry(trying ? null : pours(highlighted), highlighted.name);
  const back = () => (trying ? onTry(null, '') : onBack());

  return (
    <div
      className="@container flex min-h-0 grow flex-col"
      onKeyDown={(event) => {
        const typing = event.target instanceof HTMLElement ? event.target.closest('input, select') : null;
        if (event.key === 'Escape') back();
        else if (event.key === 'ArrowDown' && !typing?.matches('select')) walk(place + 1);
        else if (event.key === 'ArrowUp' && !typing?.matches('select')) walk(place - 1);
        else if (event.key === 'Home' && !typing) walk(0);
        else if (event.key === 'End' && !typing) walk(shown.length - 1);
        else if (event.key === 'Enter' && (event.target === list.current || event.target === search.current)) take();
        else if (typing || event.ctrlKey || event.metaKey || event.altKey) return;
        else if (event.key === 't') tryOn();
        else if (event.key === '/') search.current?.focus();
        else if (others[Number(event.key) - 1]) onLock(others[Number(event.key) - 1]?.index ?? 0);
        else return;
        event.preventDefault();
        event.stopPropagation();
      }}
    >
      <div className="flex flex-wrap items-center gap-2 p-3 pb-2">
        <IconButton icon={ArrowLeft} label="Back to the pours" hotkey="Esc" onClick={onBack} />
        <h2 className="min-w-0 grow font-display text-lg leading-tight font-semibold">Instead of {present}</h2>
        <Choice label="In order of" options={RANKINGS} value={view.ranking} onChange={(ranking) => set({ ranking })} />
      </div>
      <div className="flex max-h-[60%] shrink-0 flex-col gap-2 overflow-y-auto px-3 pb-2">
        <LockStrip pours={others} onToggle={onLock} />
        <div className="flex flex-wrap items-center gap-2">
          <label className="input min-h-11 min-w-36 grow basis-0">
            <Search size={18} aria-hidden className="text-quiet" />
            <input
              ref={search}
              type="search"
              aria-label="Search the board"
              placeholder="Search ( / )"
              maxLength={100}
              value={words}
              onChange={(event) => setWords(event.target.value)}
            />
          </label>
          {spec.pours[pour]?.slot === 'base' && (
            <Choice label="How much of it" options={SHARES} value={view.share} onChange={(share) => set({ share })} />
          )}
          <button
            type="button"
            aria-expanded={asking}
            className={`btn min-h-11 px-3 text-base font-normal ${asking ? 'btn-secondary' : 'btn-ghost border-base-300'}`}
            onClick={() => setAsking(!asking)}
          >
            <SlidersHorizontal size={18} aria-hidden /> How
          </button>
        </div>
        {asking && (
          <div className="border-t border-base-300 pt-2">
            <p className="pb-2 text-base">{props.actions}</p>
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
            <AimSettings hasHome={props.hasHome} />
            <Wishes view={view} set={set} />
            <label className="flex flex-wrap items-center gap-2 pt-1 text-base">
              Of the kind
              <select
                className="select min-h-11 w-auto text-base"
                value={kind}
                onChange={(event) => setKind(event.target.value)}
              >
                <option value="">any</option>
                {kinds.map((each) => (
                  <option key={each}>{each}</option>
                ))}
              </select>
            </label>
          </div>
        )}
      </div>
      <Columns />
      {board.error && <p className="px-4 py-2 text-error">{board.error.message}</p>}
      {!board.data && !board.error && <p className="px-4 py-2 text-quiet">Searching the larder…</p>}
      {board.data && !board.data.done && (
        <progress
          className="progress mx-3 w-auto"
          aria-label={`Searched ${board.data.searched} of ${board.data.total}`}
          value={board.data.searched}
          max={board.data.total}
        />
      )}
      {board.data && shown.length === 0 && (
        <Nothing words={words} atHand={view.atHand === 'only'} onAny={() => set({ atHand: 'any' })} />
      )}
      <div className="min-h-0 grow overflow-y-auto max-[1199px]:max-h-[60vh]">
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
            shown.map((row, index) => (
              <SwapItem
                key={row.key}
                id={`${listId}-${row.key}`}
                row={row}
                present={present}
                colour={board.data.present?.colour ?? '#ffffff'}
                ounceMl={spec.ounce_ml}
                highlighted={index === place}
                onPoint={() => walk(index)}
                onHover={(over) => setPointed(over ? row.key : null)}
              />
            ))}
        </div>
        {board.data && (
          <LeftOut board={board.data} words={words} onTake={(slug) => onTake(inPlace(spec, pour, slug), slug)} />
        )}
      </div>
      {highlighted && <TryOrTake trying={trying} onTry={tryOn} onTake={take} />}
    </div>
  );
}

/** What the marks of each column are, and what their sides and fillings mean. */
function Columns() {
  return (
    <div
      aria-hidden
      className="flex flex-wrap items-end gap-1 border-t border-base-300 px-4 pt-1.5 pb-0.5 text-sm leading-tight text-quiet @lg:flex-nowrap"
    >
      <span className="basis-full pl-10 @lg:basis-0 @lg:grow @lg:pl-0">hollow: as poured, full: brought back</span>
      <span className="flex gap-1 pl-10 @lg:pl-0">
        {(['sugar', 'acid', 'abv'] as const).map((axis) => (
          <span key={axis} className="flex w-[74px] items-center justify-center gap-1 ">
            <AxisMark axis={axis} size={10} /> {AXIS_WORDS[axis]}
          </span>
        ))}
      </span>
    </div>
  );
}

interface ChoiceProps<Value> {
  label: string;
  options: [Value, string][];
  value: Value;
  onChange: (value: Value) => void;
}

function Choice<Value extends string | number>({ label, options, value, onChange }: ChoiceProps<Value>) {
  return (
    <div role="group" aria-label={label} className="flex items-center gap-1">
      {options.map(([option, words]) => (
        <button
          key={option}
          type="button"
          aria-pressed={option === value}
          className={`btn min-h-11 px-3 text-base font-normal ${option === value ? 'btn-secondary' : 'btn-ghost border-base-300'}`}
          onClick={() => onChange(option)}
        >
          {words}
        </button>
      ))}
    </div>
  );
}

/** Which offers are wanted. */
function Wishes({ view, set }: { view: BoardView; set: (change: Partial<BoardView>) => void }) {
  return (
    <fieldset className="flex flex-wrap items-center gap-x-4 border-t border-base-300 pt-1">
      <legend className="sr-only">Which are wanted</legend>
      <span className="basis-full">
        <Choice label="What is at hand" options={AT_HAND} value={view.atHand} onChange={(atHand) => set({ atHand })} />
      </span>
      <Check words="Vegan" on={view.vegan} onChange={(vegan) => set({ vegan })} />
      <Check words="Without alcohol" on={view.withoutAlcohol} onChange={(withoutAlcohol) => set({ withoutAlcohol })} />
      <label className="flex min-h-11 items-center gap-2 text-base">
        At most
        <input
          type="number"
          min={0}
          step="any"
          placeholder="any price"
          className="input min-h-11 w-28 font-figure text-base"
          value={view.mostPrice ?? ''}
          onChange={({ target }) => set({ mostPrice: target.value === '' ? null : Number(target.value) })}
        />
        a litre
      </label>
      <span className="basis-full text-base">Nothing with</span>
      {ALLERGENS.map((allergen) => (
        <Check
          key={allergen}
          words={allergen}
          on={view.avoid.includes(allergen)}
          onChange={(on) =>
            set({ avoid: on ? [...view.avoid, allergen] : view.avoid.filter((each) => each !== allergen) })
          }
        />
      ))}
    </fieldset>
  );
}

function Nothing({ words, atHand, onAny }: { words: string; atHand: boolean; onAny: () => void }) {
  if (words.trim())
    return (
      <p className="px-4 py-3">Nothing on this board is called “{words.trim()}”. Look among what is left out, below.</p>
    );
  return (
    <div className="px-4 py-3">
      <p>Nothing {atHand ? 'at hand' : 'in the larder'} can do this job. Below stands why each was left out.</p>
      {atHand && (
        <p className="mt-2 flex flex-wrap gap-2">
          <button type="button" className="btn min-h-11" onClick={onAny}>
            Look at the whole larder
          </button>
          <Link to="/shelf" className="btn min-h-11">
            Say what is at hand
          </Link>
        </p>
      )}
    </div>
  );
}

/** Who can't serve, by reason; any of them can be taken all the same. */
function LeftOut({ board, words, onTake }: { board: BoardSoFar; words: string; onTake: (slug: string) => void }) {
  const sought = words.trim().toLowerCase();
  const found = board.left_out.filter(({ name }) => name.toLowerCase().includes(sought));
  if (found.length === 0) return null;
  return (
    <div className="border-t border-base-300 px-4 py-1">
      <Fold title="Left out" count={found.length}>
        <ul className="pb-2">
          {found.map(({ slug, name, reason }) => (
            <li key={slug} className="flex items-center gap-2 py-0.5 text-base leading-snug">
              <span className="grow">
                <span className="font-semibold">{name}.</span> {reason}
              </span>
              <button
                type="button"
                className="btn btn-ghost min-h-11 border-base-300 px-3 text-base font-normal"
                aria-label={`Take anyway: ${name}`}
                onClick={() => onTake(slug)}
              >
                Take anyway
              </button>
            </li>
          ))}
        </ul>
      </Fold>
    </div>
  );
}

/** Rows as the screen wants them: of one share, with these words in their name, in the order of one score. */
function inOrder(board: BoardSoFar | undefined, view: BoardView, words: string, kind: string): SwapRow[] {
  const sought = words.trim().toLowerCase();
  const wanted = (board?.rows ?? []).filter(
    (row) => row.share === view.share || (row.share === 1 && !board?.rows.some(({ share }) => share === view.share)),
  );
  return wanted
    .filter((row) => !kind || row.kind === kind)
    .filter((row) => `${row.name} ${row.helper?.name ?? ''}`.toLowerCase().includes(sought))
    .sort((a, b) => away(a, view) - away(b, view) || a.scores[view.ranking] - b.scores[view.ranking]);
}

/** 1 where a row comes after what is at hand. */
function away({ shelf }: SwapRow, view: BoardView): number {
  return view.atHand === 'first' && shelf !== 'at hand' && shelf !== 'low' ? 1 : 0;
}

/** The spec's pours with another ingredient in one of them, as much as before. */
function inPlace(spec: Spec, pour: number, slug: string): PourEntry[] {
  return spec.pours.map((each, index) => (index === pour ? { ...each, ingredient: slug, said: null } : each));
}
