import { useEffect, useRef } from 'react';

import type { KeyName } from './keys';

export const COMMAND_GROUPS = ['This drink', 'Pours', 'Serve', 'Go to', 'Screen'] as const;

/** Something that the palette can do. */
export interface PaletteCommand {
  /** What it does, as it is said. */
  words: string;
  group: (typeof COMMAND_GROUPS)[number];
  hotkey?: KeyName;
  run: () => void;
}

/** What the pages that are open offer to the palette, by page. */
const offered = new Map<string, () => PaletteCommand[]>();

/** Offers commands to the palette as long as the component is there; they are asked for when it opens. */
export function useCommands(page: string, commands: () => PaletteCommand[]): void {
  const current = useRef(commands);
  useEffect(() => {
    current.current = commands;
  });
  useEffect(() => {
    offered.set(page, () => current.current());
    return () => {
      offered.delete(page);
    };
  }, [page]);
}

/** Every command that is offered now. */
export function currentCommands(): PaletteCommand[] {
  return [...offered.values()].flatMap((commands) => commands());
}
