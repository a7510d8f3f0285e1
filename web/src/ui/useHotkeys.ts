import { useEffect, useRef } from 'react';

interface Hotkey {
  /** With Ctrl or ⌘. */
  ctrl?: boolean;
  /** Also while something is typed. */
  anywhere?: boolean;
  run: () => void;
}

/** Keys for the whole page; a bare letter is left alone while something is typed or a dialog is open. */
export function useHotkeys(keys: Record<string, Hotkey>) {
  const current = useRef(keys);
  useEffect(() => {
    current.current = keys;
  });
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const hotkey = current.current[event.key];
      if (!hotkey || event.altKey || Boolean(hotkey.ctrl) !== (event.ctrlKey || event.metaKey)) return;
      const target = event.target instanceof HTMLElement ? event.target : null;
      // A button that has a dialog open may have lost the focus to the page: an open dialog keeps every key to itself.
      if (document.querySelector('dialog[open]')) return;
      const typing = target?.closest('input, textarea, select');
      const allowed = hotkey.anywhere || (hotkey.ctrl && target?.dataset.amount !== undefined);
      if (typing && !allowed && !target?.matches('input[type=checkbox], input[type=radio]')) return;
      event.preventDefault();
      hotkey.run();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, []);
}
