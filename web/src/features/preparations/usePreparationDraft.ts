import { useCallback, useEffect, useState } from 'react';

import type { Preparation } from '@/api';
import { usePersisted } from '@/hooks';
import { changed, hasKeys, newHistory, undone } from '@/lib';

/** A preparation that isn't saved yet, and the revision at which it was read. */
interface Unsaved {
  now: Preparation;
  read: string;
}

/** A preparation as it is edited: undone step by step, and kept in this browser until it is saved. */
export function usePreparationDraft(slug: string, written: Preparation, revision = '') {
  const [unsaved, setUnsaved] = usePersisted<Unsaved | null>(`oenomel.preparation.${slug}`, null, unsavedIn);
  const [history, setHistory] = useState(() => newHistory(unsaved?.now ?? written));
  const [read, setRead] = useState(unsaved?.read ?? revision);
  const { present: now, past } = history;
  const isChanged = JSON.stringify(now) !== JSON.stringify(written);
  useEffect(() => {
    setUnsaved(isChanged ? { now, read } : null);
  }, [setUnsaved, now, isChanged, read]);
  const change = useCallback((part: Partial<Preparation>) => {
    setHistory((before) => changed(before, { ...before.present, ...part }));
  }, []);
  const undo = useCallback(() => setHistory((before) => undone(before)), []);
  /** Puts what was saved, or what another window saved, in the place of what is edited. */
  const take = useCallback((saved: Preparation, at: string) => {
    setHistory((before) => changed(before, saved));
    setRead(at);
  }, []);
  return { now, change, undo, canUndo: past.length > 0, isChanged, read, setRead, take };
}

const isPreparation = (kept: unknown): kept is Preparation =>
  hasKeys(kept, { format: 'string', name: 'string', lines: 'object', steps: 'object' });

function unsavedIn(kept: unknown): Unsaved | null {
  // Before it had a version, the preparation stood there alone.
  if (isPreparation(kept)) return { now: kept, read: '' };
  return hasKeys(kept, { now: 'object', read: 'string' }) && isPreparation((kept as Unsaved).now)
    ? (kept as Unsaved)
    : null;
}
