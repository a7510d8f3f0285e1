import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useLocation, useNavigate, useSearchParams } from 'react-router';

import { type Criteria, criteriaQuery } from '@/api';
import { useHotkeys } from '@/hooks';
import { fromAddress, toAddress } from './criteria';

/**
 * The wish in the address: each change is a step back for the browser's own button, and for undo. An address may name a drink instead: then
 * its brief is the wish, or what it came of.
 */
export function useCriteria() {
  const [query, setQuery] = useSearchParams();
  const { state } = useLocation() as { state: { steps?: number } | null };
  const navigate = useNavigate();
  const steps = state?.steps ?? 0;
  const text = query.get('wish');
  const drink = Number(query.get('drink') ?? 0);
  const ofDrink = useQuery({ ...criteriaQuery(drink), enabled: drink > 0 && text === null });
  const brief = text === null && drink > 0 ? ofDrink.data : undefined;
  const wish = useMemo(() => (brief ? { ...brief, count: fromAddress(null).count } : fromAddress(text)), [text, brief]);
  const undo = () => {
    // Not further back than where the wishing began.
    if (steps > 0) void navigate(-1);
  };
  useHotkeys({ undo, redo: () => void navigate(1) });
  return {
    wish,
    /** Whether it is known what is wished. */
    isKnown: brief !== undefined || text !== null || drink === 0 || ofDrink.isError,
    change: (next: Criteria) => setQuery({ wish: toAddress(next) }, { state: { steps: steps + 1 }, flushSync: true }),
    undo: steps > 0 ? undo : null,
  };
}
