import { useEffect, useSyncExternalStore } from 'react';

import type { PaletteCommand } from '../ui/Palette';

/** What the pages that are open offer to the palette, by page. */
const offered = new Map<string, PaletteCommand[]>();
const listeners = new Set<() => void>();
let all: PaletteCommand[] = [];

function tell() {
  all = [...offered.values()].flat();
  listeners.forEach((listen) => listen());
}

/** Offers commands to the palette as long as the component is there; asked for anew with every render, told when it opens. */
export function useOffer(page: string, commands: PaletteCommand[]): void {
  useEffect(() => {
    offered.set(page, commands);
    tell();
  }, [page, commands]);
  useEffect(
    () => () => {
      offered.delete(page);
      tell();
    },
    [page],
  );
}

/** Every command that is offered now. */
export function useOffered(): PaletteCommand[] {
  return useSyncExternalStore(
    (listen) => {
      listeners.add(listen);
      return () => listeners.delete(listen);
    },
    () => all,
  );
}
