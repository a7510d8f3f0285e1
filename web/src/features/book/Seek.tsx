import { useQuery } from '@tanstack/react-query';

import type { Sought } from '../../api/client';
import { tastersQuery } from '../../api/queries/house';

interface Props {
  sought: Sought;
  onSeek: (sought: Sought) => void;
}

const SCORES = [6, 7, 8, 9];

/** What a drink of the book has to have besides words: who tasted it, how it was scored, what is at hand. */
export function Seek({ sought, onSeek }: Props) {
  const tasters = useQuery(tastersQuery());
  // What isn't asked for is left out, so that the whole book has one name in the cache.
  const set = (change: Sought) =>
    onSeek(Object.fromEntries(Object.entries({ ...sought, ...change }).filter(([, value]) => value)));
  return (
    <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2 text-base">
      {(tasters.data ?? []).length > 0 && (
        <>
          <label className="flex items-center gap-2">
            Tasted by
            <select
              className="select min-h-11 w-auto text-base"
              value={sought.taster ?? ''}
              onChange={(event) => set({ taster: event.target.value })}
            >
              <option value="">anyone</option>
              {tasters.data?.map(({ taster }) => (
                <option key={taster}>{taster}</option>
              ))}
            </select>
          </label>
          <label className="flex items-center gap-2">
            scored
            <select
              className="select min-h-11 w-auto text-base"
              value={sought.score ?? ''}
              onChange={(event) => set({ score: Number(event.target.value) || null })}
            >
              <option value="">as may be</option>
              {SCORES.map((score) => (
                <option key={score} value={score}>
                  {score} or more
                </option>
              ))}
            </select>
          </label>
        </>
      )}
      <label className="flex min-h-11 cursor-pointer items-center gap-2">
        <input
          type="checkbox"
          className="checkbox"
          checked={sought.at_hand ?? false}
          onChange={(event) => set({ at_hand: event.target.checked })}
        />
        all of it at hand
      </label>
    </div>
  );
}
