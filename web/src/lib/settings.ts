import { useSyncExternalStore } from 'react';

import type { Supposed } from '../api/client';
import type { Shown } from './format';

export interface Settings {
  /** Volumes in ml or in ounces. */
  shown: Shown;
  theme: 'lamplight' | 'late';
  /** The drink that lay on the bench last; 0 for none. */
  lastDrink: number;
  /** What forecasts suppose of the ice and the temperatures, as far as it isn't the usual. */
  supposed: Supposed;
}

const KEY = 'oenomel.settings';
const listeners = new Set<() => void>();
let current: Settings = read();

function read(): Settings {
  const theme = document.documentElement.dataset.theme === 'late' ? 'late' : 'lamplight';
  const defaults: Settings = { shown: 'ml', theme, lastDrink: 0, supposed: {} };
  try {
    return { ...defaults, ...(JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Settings>), theme };
  } catch {
    return defaults;
  }
}

/** Changes settings here, on every screen at once, and for the next visit. */
export function changeSettings(change: Partial<Settings>): void {
  current = { ...current, ...change };
  document.documentElement.dataset.theme = current.theme;
  try {
    localStorage.setItem(KEY, JSON.stringify(current));
    localStorage.setItem('oenomel.theme', current.theme);
  } catch {
    // Without storage the settings last as long as the window.
  }
  listeners.forEach((tell) => tell());
}

export function useSettings(): Settings {
  return useSyncExternalStore(
    (tell) => {
      listeners.add(tell);
      return () => listeners.delete(tell);
    },
    () => current,
  );
}
