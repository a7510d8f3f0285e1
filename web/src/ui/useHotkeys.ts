import { useEffect, useRef } from 'react';

interface Hotkey {
  /** With Ctrl or ⌘. */
  ctrl?: boolean;
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
      const typing = target?.closest('input, textarea, select, dialog');
      if (typing && !(hotkey.ctrl && target?.dataset.amount !== undefined)) return;
      event.preventDefault();
      hotkey.run();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, []);
}
