/** Every key of the app, once: the page listens by it, the palette shows it, the list under "?" is made of it. */
export interface Key {
  /** As the browser names it. */
  key: string;
  ctrl?: boolean;
  /** Also while something is typed. */
  anywhere?: boolean;
  /** As it is shown; the key itself in capitals where it isn't told. */
  shown?: string;
  where: (typeof KEY_GROUPS)[number];
  does: string;
}

export const KEY_GROUPS = [
  'Anywhere',
  'Bench',
  'Ingredient',
  'Swaps and rebalancing',
  'Balance',
  'Triangle test',
] as const;

export const KEYS = {
  palette: {
    key: 'k',
    ctrl: true,
    anywhere: true,
    shown: 'Ctrl K',
    where: 'Anywhere',
    does: 'commands: find an action, ingredient or drink',
  },
  undo: { key: 'z', ctrl: true, shown: 'Ctrl Z', where: 'Anywhere', does: 'undo' },
  redo: { key: 'y', ctrl: true, shown: 'Ctrl Y', where: 'Anywhere', does: 'redo; also Ctrl Shift Z' },
  settings: { key: ',', where: 'Anywhere', does: 'settings' },
  keys: { key: '?', where: 'Anywhere', does: 'keyboard shortcuts' },
  add: { key: 'a', where: 'Bench', does: 'add ingredient' },
  bring: { key: 'b', where: 'Bench', does: 'rebalance' },
  size: { key: 'g', where: 'Bench', does: 'fit to the glass' },
  serve: { key: 's', where: 'Bench', does: 'up, on cubes, on a large cube, on crushed ice' },
  method: { key: 'm', where: 'Bench', does: 'method' },
  steps: { key: 'e', where: 'Bench', does: 'edit steps' },
  garnish: { key: 'n', where: 'Bench', does: 'add a garnish' },
  keep: { key: 'k', where: 'Bench', does: 'save trial' },
  done: { key: 'd', where: 'Bench', does: 'tick off the next step' },
  step: {
    key: 'ArrowUp',
    shown: '↑  ↓',
    where: 'Ingredient',
    does: 'one mark more or less; with Shift four',
  },
  swap: { key: 'Enter', shown: 'Enter', where: 'Ingredient', does: 'swap it (on its name)' },
  lock: { key: 'l', where: 'Ingredient', does: 'lock or unlock' },
  out: { key: 'o', where: 'Ingredient', does: 'see the drink without it, if optional' },
  more: { key: '.', where: 'Ingredient', does: 'role, unit, order, range' },
  asBefore: { key: 'Escape', shown: 'Esc', where: 'Ingredient', does: 'reset to the last valid amount' },
  tryOn: { key: 't', where: 'Swaps and rebalancing', does: 'preview' },
  take: { key: 'Enter', shown: 'Enter', where: 'Swaps and rebalancing', does: 'use this' },
  ways: {
    key: 'ArrowRight',
    shown: '←  →',
    where: 'Swaps and rebalancing',
    does: 'next option',
  },
  locks: {
    key: '1',
    shown: '1 … 9',
    where: 'Swaps and rebalancing',
    does: 'lock or unlock the other ingredients',
  },
  search: { key: '/', where: 'Swaps and rebalancing', does: 'search' },
  back: { key: 'Escape', shown: 'Esc', where: 'Swaps and rebalancing', does: 'back' },
  nudge: {
    key: 'ArrowRight',
    shown: '←  →  ↑  ↓',
    where: 'Balance',
    does: 'drag the drink; Enter rebalances to it',
  },
  glass1: { key: '1', where: 'Triangle test', does: 'glass 1 is the odd one' },
  glass2: { key: '2', where: 'Triangle test', does: 'glass 2' },
  glass3: { key: '3', where: 'Triangle test', does: 'glass 3' },
} satisfies Record<string, Key>;

export type KeyName = keyof typeof KEYS;

/** A key as it is shown. */
export function shownKey(name: KeyName): string {
  const key: Key = KEYS[name];
  return key.shown ?? key.key.toUpperCase();
}

/** Whether a key was pressed, and no other key with it. */
export function isPressed(event: { key: string; ctrlKey: boolean; metaKey: boolean; altKey: boolean }, name: KeyName) {
  const told: Key = KEYS[name];
  return event.key === told.key && !event.altKey && Boolean(told.ctrl) === (event.ctrlKey || event.metaKey);
}
