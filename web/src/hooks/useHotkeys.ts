import { useEffect, useRef } from 'react';

import { KEYS, isPressed, type Key, type KeyName } from './keys';

/** Keys for the whole page, by their names; a bare letter is left alone while something is typed or a dialog is open. */
export function useHotkeys(runs: Partial<Record<KeyName, () => void>>) {
  const current = useRef(runs);
  useEffect(() => {
    current.current = runs;
  });
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const name = nameOf(event, current.current);
      // A button that has a dialog open may have lost the focus to the page: an open dialog keeps every key to itself.
      if (!name || document.querySelector('dialog[open]') || isTyped(event, name)) return;
      event.preventDefault();
      current.current[name]?.();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, []);
}

function nameOf(event: KeyboardEvent, runs: Partial<Record<KeyName, () => void>>): KeyName | undefined {
  const names = Object.keys(runs) as KeyName[];
  const again =
    event.key === 'Z' && (event.ctrlKey || event.metaKey) ? names.find((item) => item === 'redo') : undefined;
  return again ?? names.find((name) => isPressed(event, name));
}

function isTyped({ target }: KeyboardEvent, name: KeyName): boolean {
  if (!(target instanceof HTMLElement) || !target.closest('input, textarea, select')) return false;
  const key: Key = KEYS[name];
  const allowed = key.anywhere ?? (key.ctrl && target.dataset.amount !== undefined);
  return !allowed && !target.matches('input[type=checkbox], input[type=radio]');
}
