import { useCallback, useEffect, useState } from 'react';

import type { Preparation } from '@/api';
import { hasKeys, readStored, writeStored } from '@/lib';

interface History {
  past: Preparation[];
  now: Preparation;
}

const MOST_STEPS = 100;

/** A preparation in hand: undone step by step, and kept in this browser until it is written down. */
export function usePreparationDraft(slug: string, written: Preparation, revision = '') {
  const place = `oenomel.preparation.${slug}`;
  const [{ past, now }, setHistory] = useState<History>(() => ({ past: [], now: readStored(place, isOne) ?? written }));
  // What is in hand was read at this revision, also where it was kept since an earlier visit.
  const [read, setRead] = useState(() => readStored(`${place}.read`, isText) ?? revision);
  const isChanged = JSON.stringify(now) !== JSON.stringify(written);
  useEffect(() => {
    writeStored(place, isChanged ? now : null);
    writeStored(`${place}.read`, isChanged ? read : null);
  }, [place, now, isChanged, read]);
  const change = useCallback((part: Partial<Preparation>) => {
    setHistory((before) => ({
      past: [...before.past.slice(-MOST_STEPS), before.now],
      now: { ...before.now, ...part },
    }));
  }, []);
  const undo = useCallback(() => {
    setHistory((before) => {
      const last = before.past.at(-1);
      return last ? { past: before.past.slice(0, -1), now: last } : before;
    });
  }, []);
  /** What was written down, or what another window wrote, in the place of what is in hand. */
  const take = useCallback((kept: Preparation, at: string) => {
    setHistory(({ past, now: before }) => ({ past: [...past.slice(-MOST_STEPS), before], now: kept }));
    setRead(at);
  }, []);
  return { now, change, undo, canUndo: past.length > 0, isChanged, read, setRead, take };
}

const isOne = (kept: unknown): kept is Preparation =>
  hasKeys(kept, { format: 'string', name: 'string', lines: 'object', steps: 'object' });

const isText = (kept: unknown): kept is string => typeof kept === 'string';
