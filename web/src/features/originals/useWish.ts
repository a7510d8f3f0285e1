import { useMemo } from 'react';
import { useLocation, useNavigate, useSearchParams } from 'react-router';

import type { Wish } from '../../api/client';
import { useHotkeys } from '../../shell/useHotkeys';
import { fromAddress, toAddress } from './wish';

/** The wish in the address: each change is a step back for the browser's own button, and for undo. */
export function useWish() {
  const [query, setQuery] = useSearchParams();
  const { state } = useLocation() as { state: { steps?: number } | null };
  const navigate = useNavigate();
  const steps = state?.steps ?? 0;
  const told = query.get('wish');
  const wish = useMemo(() => fromAddress(told), [told]);
  const undo = () => {
    // Not further back than where the wishing began.
    if (steps > 0) void navigate(-1);
  };
  useHotkeys({ undo, redo: () => void navigate(1) });
  return {
    wish,
    change: (next: Wish) => setQuery({ wish: toAddress(next) }, { state: { steps: steps + 1 } }),
    undo: steps > 0 ? undo : null,
  };
}
