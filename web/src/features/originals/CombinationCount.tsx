import { useQuery } from '@tanstack/react-query';

import { combinationCountQuery, type Criteria } from '@/api';
import { useSettings } from '@/hooks';

/** How many combinations a wish leaves, told as long as it is thought about. */
export function CombinationCount({ wish, busy }: { wish: Criteria; busy: boolean }) {
  const { supposed } = useSettings();
  const { data } = useQuery(combinationCountQuery({ ...wish, taken_names: [] }, supposed));
  return (
    <p role="status" className="min-w-0 grow basis-56 text-lg leading-tight">
      {data ? (
        <>
          <strong className="font-figure">{roughCount(data.balanced)}</strong> combinations would balance
          <span className="block text-base text-quiet">
            of {roughCount(data.combinations).replace('about ', '')} possible
          </span>
        </>
      ) : (
        'Counting…'
      )}
      {busy && <span className="sr-only">, searching</span>}
    </p>
  );
}

/** A count that is an estimate: two figures of it, and how many thousands. */
export function roughCount(count: number): string {
  if (count < 1000) return String(count);
  const [size, word] = count < 1e6 ? [1e3, 'thousand'] : count < 1e9 ? [1e6, 'million'] : [1e9, 'billion'];
  return `about ${Number((count / size).toPrecision(2))} ${word}`;
}
