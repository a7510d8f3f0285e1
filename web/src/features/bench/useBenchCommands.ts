import { useQuery } from '@tanstack/react-query';
import { useNavigate } from 'react-router';

import type { Spec } from '../../api/client';
import { capital } from '../../lib/format';
import { useOffer } from '../../lib/commands';
import type { PaletteCommand } from '../../ui/Palette';
import { drinksQuery } from '../book/useBook';
import { glassesQuery } from './useMaking';

interface Bench {
  names: string[];
  locked: (index: number) => boolean | undefined;
  isOptional: (index: number) => boolean;
  canUndo: boolean;
  canRedo: boolean;
  onUndo: () => void;
  onUndoAll: () => void;
  onRedo: () => void;
  onAdd: () => void;
  onBringBack: () => void;
  onKeep: () => void;
  onTrials: () => void;
  onTaste: () => void;
  onSize: () => void;
  onMethod: () => void;
  onServe: (serve: Partial<Spec['serve']>, what: string) => void;
  onSwap: (index: number) => void;
  onLock: (index: number) => void;
  onMore: (index: number) => void;
  onOut: (index: number) => void;
}

const ON: [Spec['serve']['ice'], string][] = [
  ['none', 'up'],
  ['cubes', 'on cubes'],
  ['large', 'on a large cube'],
  ['crushed', 'on crushed ice'],
];

/** Everything that the bench can do, for the palette. */
export function useBenchCommands(bench: Bench): void {
  const navigate = useNavigate();
  const { data: drinks } = useQuery(drinksQuery());
  const { data: glasses } = useQuery(glassesQuery());
  const does = (group: PaletteCommand['group'], words: string, run: () => void, hotkey?: string): PaletteCommand => ({
    group,
    words,
    run,
    ...(hotkey && { hotkey }),
  });
  useOffer('bench', [
    does('This drink', 'Bring it back', bench.onBringBack, 'B'),
    does('This drink', 'Add a pour', bench.onAdd, 'A'),
    does('This drink', 'Keep as trial', bench.onKeep, 'K'),
    does('This drink', 'Trials side by side, and what to try next', bench.onTrials),
    does('This drink', 'Taste it', bench.onTaste),
    does('This drink', 'Size it to the glass', bench.onSize, 'G'),
    does('This drink', 'How it is made: technique, seconds, ice', bench.onMethod, 'M'),
    ...(bench.canUndo
      ? [
          does('This drink', 'Undo', bench.onUndo, 'Ctrl Z'),
          does('This drink', 'Undo everything, back to where it started', bench.onUndoAll),
        ]
      : []),
    ...(bench.canRedo ? [does('This drink', 'Redo', bench.onRedo, 'Ctrl Y')] : []),
    ...bench.names.map((name, index) => does('Pours', `Swap ${name}`, () => bench.onSwap(index))),
    ...bench.names.flatMap((name, index) => {
      const locked = bench.locked(index);
      return locked === undefined
        ? []
        : [does('Pours', `${locked ? 'Free' : 'Lock'} ${name}`, () => bench.onLock(index))];
    }),
    ...bench.names.flatMap((name, index) =>
      bench.isOptional(index) ? [does('Pours', `Look at it without ${name}`, () => bench.onOut(index))] : [],
    ),
    ...bench.names.map((name, index) => does('Pours', `More about ${name}`, () => bench.onMore(index))),
    ...ON.map(([ice, words]) => does('Serve', `Serve it ${words}`, () => bench.onServe({ ice }, `serve ${ice}`))),
    ...(glasses ?? []).map(({ name }) =>
      does('Serve', `${capital(name)} for it`, () => bench.onServe({ glass: name }, `glass ${name}`)),
    ),
    ...(drinks ?? []).map(({ id, name }) => does('Go to', `Bench: ${name}`, () => void navigate(`/bench/${id}`))),
  ]);
}
