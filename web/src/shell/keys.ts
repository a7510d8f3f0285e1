/** Every key of the app, once: the page listens by it, the palette shows it, the list under "?" is made of it. */
export interface Key {
  /** As the browser names it. */
  key: string;
  ctrl?: boolean;
  /** Also while something is typed. */
  anywhere?: boolean;
  /** As it is shown; the key itself in capitals where it isn't told. */
  shown?: string;
  where: (typeof PLACES)[number];
  does: string;
}

export const PLACES = [
  'Anywhere',
  'On the bench',
  'On a pour',
  'In the swaps, and bringing it back',
  'On the field',
  'In a triangle',
] as const;

export const KEYS = {
  palette: {
    key: 'k',
    ctrl: true,
    anywhere: true,
    shown: 'Ctrl K',
    where: 'Anywhere',
    does: 'do anything: find a command, a pour, a drink',
  },
  undo: { key: 'z', ctrl: true, shown: 'Ctrl Z', where: 'Anywhere', does: 'undo' },
  redo: { key: 'y', ctrl: true, shown: 'Ctrl Y', where: 'Anywhere', does: 'redo; also Ctrl Shift Z' },
  settings: { key: ',', where: 'Anywhere', does: 'settings' },
  keys: { key: '?', where: 'Anywhere', does: 'this list' },
  add: { key: 'a', where: 'On the bench', does: 'add a pour' },
  bring: { key: 'b', where: 'On the bench', does: 'bring it back' },
  size: { key: 'g', where: 'On the bench', does: 'size it to the glass' },
  serve: { key: 's', where: 'On the bench', does: 'up, on cubes, on a large one, on crushed ice' },
  method: { key: 'm', where: 'On the bench', does: 'how it is made' },
  steps: { key: 'e', where: 'On the bench', does: 'its steps: told otherwise, moved, your own' },
  garnish: { key: 'n', where: 'On the bench', does: 'garnish it' },
  keep: { key: 'k', where: 'On the bench', does: 'keep as trial' },
  done: { key: 'd', where: 'On the bench', does: 'the next step is done' },
  step: {
    key: 'ArrowUp',
    shown: '↑  ↓',
    where: 'On a pour',
    does: 'one step more or less, in its amount; with Shift four',
  },
  swap: { key: 'Enter', shown: 'Enter', where: 'On a pour', does: 'swap it: on its name' },
  lock: { key: 'l', where: 'On a pour', does: 'lock or free it' },
  out: { key: 'o', where: 'On a pour', does: 'look at the drink without it, where it is optional' },
  more: { key: '.', where: 'On a pour', does: 'more: role, time, order, follows, range' },
  asBefore: { key: 'Escape', shown: 'Esc', where: 'On a pour', does: 'back to the last good amount' },
  tryOn: { key: 't', where: 'In the swaps, and bringing it back', does: 'try it on' },
  take: { key: 'Enter', shown: 'Enter', where: 'In the swaps, and bringing it back', does: 'take it' },
  ways: {
    key: 'ArrowRight',
    shown: '←  →',
    where: 'In the swaps, and bringing it back',
    does: 'another way to bring it there',
  },
  locks: {
    key: '1',
    shown: '1 … 9',
    where: 'In the swaps, and bringing it back',
    does: 'lock or free the other pours',
  },
  search: { key: '/', where: 'In the swaps, and bringing it back', does: 'search' },
  back: { key: 'Escape', shown: 'Esc', where: 'In the swaps, and bringing it back', does: 'go back' },
  nudge: {
    key: 'ArrowRight',
    shown: '←  →  ↑  ↓',
    where: 'On the field',
    does: 'move the drink to where you want it; Enter brings it there',
  },
  glass1: { key: '1', where: 'In a triangle', does: 'the first glass stands alone' },
  glass2: { key: '2', where: 'In a triangle', does: 'the second' },
  glass3: { key: '3', where: 'In a triangle', does: 'the third' },
} satisfies Record<string, Key>;

export type KeyName = keyof typeof KEYS;

/** A key as it is shown. */
export function shownKey(name: KeyName): string {
  const told: Key = KEYS[name];
  return told.shown ?? told.key.toUpperCase();
}

/** Whether a key was pressed, and no other key with it. */
export function pressed(event: { key: string; ctrlKey: boolean; metaKey: boolean; altKey: boolean }, name: KeyName) {
  const told: Key = KEYS[name];
  return event.key === told.key && !event.altKey && Boolean(told.ctrl) === (event.ctrlKey || event.metaKey);
}
