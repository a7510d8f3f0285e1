import { useCallback } from 'react';

import type { StepsRequest, Assumptions } from '@/api/types';
import { mergeStored, withVolumes, writeStoredText, type Shown } from '@/lib';
import { persisted, setPersisted } from './persisted';

/** What a swap or a rebalancing goes for, as far as the person has chosen. */
export interface SwapTarget {
  target: 'parent' | 'home' | 'typed';
  /** Figures of a typed target, as served. */
  typed: { sugar: number | null; acid: number | null; abv: number | null };
  /** Smallest step of the jigger, ml. */
  grid: number;
  /** How much each axis counts. */
  weights: { sugar: number; acid: number; abv: number };
  /** Whether syrup, citrus, spirit, water or an acid may join. */
  joining: boolean;
  sweetness: 'grams' | 'sucrose equivalents';
  /** Whether what the drink is known by is dear to move. */
  character: boolean;
}

/** How the board of swaps is looked at. */
export interface BoardView {
  mode: 'pour' | 'hold_sugar' | 'hold_acid' | 'hold_abv' | 'rebalance';
  ranking: 'balance' | 'aroma' | 'both';
  /** How much of a base is replaced. */
  share: 1 | 0.5 | 0.25;
  /** What is at hand: no matter, before the rest, or nothing else. */
  atHand: 'any' | 'first' | 'only';
  vegan: boolean;
  withoutAlcohol: boolean;
  avoid: string[];
  mostPrice: number | null;
}

/** The house's schools of making. */
export type MethodDefaults = Required<Pick<StepsRequest, 'order' | 'sparkling'>>;

export type Country = 'us' | 'uk' | 'au';

export interface Settings {
  /** Volumes in ml or in ounces. */
  shown: Shown;
  theme: 'lamplight' | 'late';
  /** The drink that lay on the bench last; 0 for none. */
  lastDrink: number;
  /** What forecasts suppose of the ice and the temperatures, as far as it isn't the usual. */
  supposed: Assumptions;
  aim: SwapTarget;
  board: BoardView;
  way: MethodDefaults;
  /** One ounce, ml: of drinks that are started from now on, and of those in which nothing is written in ounces. */
  ounceMl: number;
  /** Whose standard drinks are counted. */
  country: Country;
  /** Whether the first move of the demo was seen. */
  tourSeen: boolean;
  /** Whose palate proposals and "bring it back" go by: a taster, the house for an empty name, nobody's for null. */
  palate: string | null;
  /** Who tasted here last. */
  taster: string;
  /** Make of each device, or "by hand". */
  devices: Record<string, string>;
}

const AIM: SwapTarget = {
  target: 'parent',
  typed: { sugar: null, acid: null, abv: null },
  grid: 2.5,
  weights: { sugar: 1, acid: 1, abv: 1 },
  joining: false,
  sweetness: 'grams',
  character: true,
};
const BOARD: BoardView = {
  mode: 'rebalance',
  ranking: 'both',
  share: 1,
  atHand: 'any',
  vegan: false,
  withoutAlcohol: false,
  avoid: [],
  mostPrice: null,
};

const WAY: MethodDefaults = { order: 'cheap and risky first', sparkling: 'on top' };

const theme = () => (document.documentElement.dataset.theme === 'late' ? 'late' : 'lamplight');

const USUAL: Settings = {
  shown: 'ml',
  theme: theme(),
  lastDrink: 0,
  supposed: {},
  aim: AIM,
  board: BOARD,
  way: WAY,
  ounceMl: 30,
  country: 'us',
  tourSeen: false,
  palate: null,
  taster: '',
  devices: {},
};

/** Settings with what stood in the browser laid over the usual ones, as far as it is of their kind. */
export function settingsIn(kept: unknown): Settings | null {
  if (typeof kept !== 'object' || kept === null) return null;
  const part = (name: 'aim' | 'board' | 'way') => (kept as Record<string, unknown>)[name];
  const aim = mergeStored(AIM, part('aim'));
  return {
    ...mergeStored(USUAL, kept),
    aim: { ...aim, typed: mergeStored(AIM.typed, aim.typed), weights: mergeStored(AIM.weights, aim.weights) },
    board: mergeStored(BOARD, part('board')),
    way: mergeStored(WAY, part('way')),
    theme: theme(),
  };
}

const store = persisted<Settings>('oenomel.settings', USUAL, settingsIn);

/** Changes settings here, on every screen at once, and for the next visit. */
export function changeSettings(change: Partial<Settings>): void {
  setPersisted(store, (now) => ({ ...now, ...change }));
  document.documentElement.dataset.theme = store.getState().value.theme;
  // Read before the app's script is there.
  writeStoredText('oenomel.theme', store.getState().value.theme);
}

export function useSettings(): Settings {
  return store((state) => state.value);
}

/** What a swap or a rebalancing goes for; where ounces are shown the marks are quarters of an ounce. */
export function useSwapTarget(): SwapTarget {
  const { aim, shown, ounceMl } = useSettings();
  return shown === 'oz' ? { ...aim, grid: ounceMl / 4 } : aim;
}

/** Writes the volumes of a sentence in the unit that is shown. */
export function useWithVolumes(): (sentence: string) => string {
  const { shown, ounceMl } = useSettings();
  return useCallback((sentence) => withVolumes(sentence, shown, ounceMl), [shown, ounceMl]);
}
