import { useQuery } from '@tanstack/react-query';
import { useNavigate } from 'react-router';

import type { Spec } from '../../api/client';
import { A_PAGE, newestQuery } from '../../api/queries/drinks';
import { glassesQuery } from '../../api/queries/house';
import { capital } from '../../lib/format';
import { useOffer, type PaletteCommand } from '../../shell/commands';
import type { KeyName } from '../../shell/keys';
import { useHotkeys } from '../../shell/useHotkeys';
import { withoutLots, withTodaysLots } from '../../spec/edits';
import { SERVED } from '../../spec/methodWords';
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
  const { data: drinks } = useQuery(newestQuery());
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
  useOffer('bench', () => [
    ...drinkCommands(bench),
    does('This drink', 'Trials side by side, and what to try next', () => void navigate(`/trials/${drink.id}`)),
    does('This drink', 'Its card, to print or to carry along', () => void navigate(`/card/${drink.id}`)),
    does('This drink', 'Take it along: copy it, save it as a file', hand.along),
    does('This drink', 'Mix a batch of it', () => void navigate(`/batch/${drink.id}`)),
    does('This drink', 'Taste it', () => void navigate(`/taste/${drink.id}`)),
    ...pourCommands(bench),
    ...(Object.entries(SERVED) as [Spec['serve']['ice'], string][]).map(([ice, words]) =>
      does('Serve', `Serve it ${words}`, () => hand.serve({ ice }, `serve ${ice}`)),
    ),
    ...(glasses ?? []).map(({ name }) =>
      does('Serve', `${capital(name)} for it`, () => hand.serve({ glass: name }, `glass ${name}`)),
    ),
    ...(drinks ?? []).map(({ id, name }) => does('Go to', `Bench: ${name}`, () => void navigate(`/bench/${id}`))),
    ...(drinks?.length === A_PAGE
      ? [does('Go to', 'Bench: an older drink, by the search of the book', () => void navigate('/book'))]
      : []),
  ]);
}

function drinkCommands({ hand, draft }: Bench): PaletteCommand[] {
  const undo = [
    does('This drink', 'Undo', () => hand.undo(), 'undo'),
    does('This drink', 'Undo everything, back to where it started', () => hand.undo(draft.past.length)),
  ];
  return [
    does('This drink', 'Bring it back', () => hand.bring('back'), 'bring'),
    does('This drink', 'Pour of today’s lots', () => hand.change(withTodaysLots, 'today’s lots')),
    does('This drink', 'Pour of what is usual, of no lot', () => hand.change(withoutLots, 'no lots')),
    does('This drink', 'Add a pour', () => hand.add(), 'add'),
    does('This drink', 'Keep as trial', hand.keep, 'keep'),
    does('This drink', 'Size it to the glass', hand.size, 'size'),
    does('This drink', 'How it is made: technique, seconds, ice', hand.method, 'method'),
    does('This drink', 'Its steps: told otherwise, moved, your own', hand.steps, 'steps'),
    does('This drink', 'Garnish it', hand.garnish, 'garnish'),
    ...(draft.canUndo ? undo : []),
    ...(draft.canRedo ? [does('This drink', 'Redo', hand.redo, 'redo')] : []),
  ];
}

function pourCommands({ hand, names, locked, spec }: Bench): PaletteCommand[] {
  return names.flatMap((name, index) => {
    const stays = locked[index];
    return [
      does('Pours', `Swap ${name}`, () => hand.choose(index)),
      ...(stays === undefined ? [] : [does('Pours', `${stays ? 'Free' : 'Lock'} ${name}`, () => hand.lock(index))]),
      ...(spec.pours[index]?.optional ? [does('Pours', `Look at it without ${name}`, () => hand.out(index))] : []),
      does('Pours', `More about ${name}`, () => hand.more(index)),
    ];
  });
}
