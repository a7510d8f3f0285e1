import { useQuery, useQueryClient } from '@tanstack/react-query';

import { type Criteria, originalsQuery } from '@/api';
import { useDebouncedValue, useSettings, useSwapTarget } from '@/hooks';
import { usePinned } from './pinned';

const REST_MS = 150;

/** The originals of a wish once it rests, behind those that are pinned. */
export function useOriginals(wish: Criteria, isKnown: boolean) {
  const { supposed } = useSettings();
  const aim = useSwapTarget();
  const queryClient = useQueryClient();
  const rested = useDebouncedValue(wish, REST_MS);
  const { pinned, isPinned, toggle } = usePinned();
  const asked = originalsQuery(
    { ...rested, grid: aim.grid, taken_names: pinned.map(({ spec }) => spec.name) },
    supposed,
  );
  const { data, error, isFetching } = useQuery({ ...asked, enabled: isKnown });
  const fresh = error ? [] : (data?.originals ?? []).filter((original) => !isPinned(original));
  return {
    rested,
    fresh,
    shown: [...pinned, ...fresh],
    notes: error ? [] : (data?.notes ?? []),
    error,
    busy: !isKnown || isFetching || rested !== wish,
    /** Leaves it at what was found so far. */
    stop: () => void queryClient.cancelQueries({ queryKey: asked.queryKey }),
    isPinned,
    toggle,
  };
}
