import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';

import { ProblemError, REPLAYED, saveDraft, unwrap } from '@/api';
import { activeAutosave } from './autosave';
import { forgetUnsaved, abandonedDraft, type Unsaved } from './unsaved';

/** What a window left behind, with the revision over which it can be saved. */
export type RecoveredDraft = Unsaved;

/**
 * What was left on a drink by a window that went away before the server had it. A save whose answer was lost is sent again first: it may
 * have arrived. Undefined while that is open, null where there is nothing.
 */
export function useRecoveredDraft(drinkId: number): RecoveredDraft | null | undefined {
  // Looked for when the drink is opened: what others leave behind later is no matter of this visit.
  const left = useMemo(() => (activeAutosave(drinkId)?.unsaved ? undefined : abandonedDraft(drinkId)), [drinkId]);
  const { data } = useQuery({
    queryKey: ['left behind', drinkId, left?.window],
    queryFn: () => settled(left),
    enabled: left !== undefined,
    staleTime: Infinity,
    gcTime: 0,
  });
  return left === undefined ? null : data;
}

/** Sends again what a window that is gone had sent last. */
export async function resendAbandonedSave(drinkId: number): Promise<void> {
  await settled(abandonedDraft(drinkId));
}

async function settled(left: Unsaved | undefined): Promise<Unsaved | null> {
  if (!left?.sending) return left ?? null;
  const { key, body } = left.sending;
  try {
    const answer = await saveDraft(left.drinkId, body, key);
    const saved = { ...left, sending: null, revision: unwrap(answer).revision };
    const hadArrived = answer.response.headers.has(REPLAYED);
    if (!hadArrived || left.typed || JSON.stringify(left.draft.spec) !== JSON.stringify(body.spec)) return saved;
    // It was all that was left, and only its answer was lost.
    forgetUnsaved(left);
    return null;
  } catch (fault) {
    if (fault instanceof ProblemError) return { ...left, sending: null };
    throw fault;
  }
}
