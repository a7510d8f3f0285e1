import { useQuery } from '@tanstack/react-query';

import { type BookFilters, tastersQuery } from '@/api';
import { Checkbox, Select } from '@/ui';

interface Props {
  sought: BookFilters;
  onSeek: (sought: BookFilters) => void;
}

const SCORES: [number, string][] = [
  [0, 'any'],
  ...[6, 7, 8, 9].map((score): [number, string] => [score, `${score} or more`]),
];

/** What a drink of the book has to have besides words: who tasted it, how it was scored, what is at hand. */
export function RecipeFilters({ sought, onSeek }: Props) {
  const { data: tasters = [] } = useQuery(tastersQuery());
  const tasted = [['', 'anyone'], ...tasters.map(({ taster }) => [taster, taster])] as [string, string][];
  // What isn't asked for is left out, so that the whole book has one name in the cache.
  const set = (change: BookFilters) =>
    onSeek(Object.fromEntries(Object.entries({ ...sought, ...change }).filter(([, value]) => value)));
  return (
    <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2 text-base">
      {tasters.length > 0 && (
        <>
          <label className="flex items-center gap-2">
            Tasted by
            <Select value={sought.taster ?? ''} options={tasted} onPick={(taster) => set({ taster })} />
          </label>
          <label className="flex items-center gap-2">
            score
            <Select value={sought.score ?? 0} options={SCORES} onPick={(score) => set({ score })} />
          </label>
        </>
      )}
      <Checkbox words="all in stock" on={sought.at_hand ?? false} onChange={(at_hand) => set({ at_hand })} />
    </div>
  );
}
