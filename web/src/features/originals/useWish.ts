import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useLocation, useNavigate, useSearchParams } from 'react-router';

import type { Wish } from '../../api/client';
import { wishQuery } from '../../api/queries/originals';
import { useHotkeys } from '../../shell/useHotkeys';
import { fromAddress, toAddress } from './wish';

/**
 * The wish in the address: each change is a step back for the browser's own button, and for undo. An address may name a drink instead: then
 * its brief is the wish, or what it came of.
 */
export function useWish() {
  const [query, setQuery] = useSearchParams();
  const { state } = useLocation() as { state: { steps?: number } | null };
  const navigate = useNavigate();
  const steps = state?.steps ?? 0;
  const told = query.get('wish');
  const drink = Number(query.get('drink') ?? 0);
  const ofDrink = useQuery({ ...wishQuery(drink), enabled: drink > 0 && told === null });
  const brief = told === null && drink > 0 ? ofDrink.data : undefined;
  const wish = useMemo(() => (brief ? { ...brief, count: fromAddress(null).count } : fromAddress(told)), [told, brief]);
  const undo = () => {
    // Not further back than where the wishing began.
    if (steps > 0) void navigate(-1);
  };
  useHotkeys({ undo, redo: () => void navigate(1) });
  return {
    wish,
    /** Whether it is known what is wished. */
    isKnown: brief !== undefined || told !== null || drink === 0 || ofDrink.isError,
    change: (next: Wish) => setQuery({ wish: toAddress(next) }, { state: { steps: steps + 1 }, flushSync: true }),
    undo: steps > 0 ? undo : null,
  };
}
