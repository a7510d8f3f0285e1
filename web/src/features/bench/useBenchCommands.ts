import { useQuery } from '@tanstack/react-query';
import { useNavigate } from 'react-router';

import { A_PAGE, glassesQuery, newestQuery, type Spec } from '@/api';
import { type KeyName, type PaletteCommand, useCommands, useHotkeys, useIsIdle } from '@/hooks';
import { SERVED, withoutLots, withTodaysLots } from '@/spec';
import type { Bench } from './useBench';

const does = (group: PaletteCommand['group'], words: string, run: () => void, hotkey?: KeyName): PaletteCommand => ({
  group,
  words,
  run,
  ...(hotkey && { hotkey }),
});

/** Everything that the bench can do, by key and for the palette. */
export function useBenchCommands(bench: Bench): void {
  const navigate = useNavigate();
  const { data: drinks } = useQuery({ ...newestQuery(), enabled: useIsIdle() });
  const { data: glasses } = useQuery(glassesQuery());
  const { hand, drink, look, ticks } = bench;
  useHotkeys({
    undo: () => hand.undo(),
    redo: hand.redo,
    add: () => hand.add(),
    bring: () => hand.bring('back'),
    size: hand.size,
    method: hand.method,
    garnish: hand.garnish,
    steps: hand.steps,
    keep: hand.keep,
    done: () => {
      const next = look.made.steps.find(({ key }) => !ticks.making.ticked.includes(key));
      bench.setTab('method');
      if (next) ticks.tick(next.key, true);
    },
  });
  useCommands('bench', () => [
    ...drinkCommands(bench),
    does('This drink', 'Compare trials, and what to try next', () => void navigate(`/trials/${drink.id}`)),
    does('This drink', 'Card, to print', () => void navigate(`/card/${drink.id}`)),
    does('This drink', 'Export: copy or save a file', hand.along),
    does('This drink', 'Plan a batch', () => void navigate(`/service/batch/${drink.id}`)),
    does('This drink', 'Taste it', () => void navigate(`/taste/${drink.id}`)),
    ...pourCommands(bench),
    ...(Object.entries(SERVED) as [Spec['serve']['ice'], string][]).map(([ice, words]) =>
      does('Serve', `Serve it ${words}`, () => hand.serve({ ice }, `serve ${ice}`)),
    ),
    ...(glasses ?? []).map(({ name }) =>
      does('Serve', `Glass: ${name.toLowerCase()}`, () => hand.serve({ glass: name }, `glass ${name}`)),
    ),
    ...(drinks ?? []).map(({ id, name }) => does('Go to', `Bench: ${name}`, () => void navigate(`/bench/${id}`))),
    ...(drinks?.length === A_PAGE
      ? [does('Go to', 'Older drinks: search Recipes', () => void navigate('/recipes'))]
      : []),
  ]);
}

function drinkCommands({ hand, draft }: Bench): PaletteCommand[] {
  const undo = [
    does('This drink', 'Undo', () => hand.undo(), 'undo'),
    does('This drink', 'Reset to where you started', () => hand.undo(draft.past.length)),
  ];
  return [
    does('This drink', 'Rebalance', () => hand.bring('back'), 'bring'),
    does('This drink', 'Use today’s bottles and juice', () => hand.change(withTodaysLots, 'today’s lots')),
    does('This drink', 'Use standard values', () => hand.change(withoutLots, 'no lots')),
    does('This drink', 'Add ingredient', () => hand.add(), 'add'),
    does('This drink', 'Save trial', hand.keep, 'keep'),
    does('This drink', 'Fit to the glass', hand.size, 'size'),
    does('This drink', 'Method: technique, time, ice', hand.method, 'method'),
    does('This drink', 'Edit steps', hand.steps, 'steps'),
    does('This drink', 'Add a garnish', hand.garnish, 'garnish'),
    ...(draft.canUndo ? undo : []),
    ...(draft.canRedo ? [does('This drink', 'Redo', hand.redo, 'redo')] : []),
  ];
}

function pourCommands({ hand, names, locked, spec }: Bench): PaletteCommand[] {
  return names.flatMap((name, index) => {
    const stays = locked[index];
    return [
      does('Pours', `Swap ${name}`, () => hand.choose(index)),
      ...(stays === undefined ? [] : [does('Pours', `${stays ? 'Unlock' : 'Lock'} ${name}`, () => hand.lock(index))]),
      ...(spec.pours[index]?.optional ? [does('Pours', `See it without ${name}`, () => hand.out(index))] : []),
      does('Pours', `More about ${name}`, () => hand.more(index)),
    ];
  });
}
