import { useCallback, useEffect, useMemo, useRef, useState } from 'react';

import { client, ProblemError, unwrap } from '../../api/client';
import { whilePending } from '../../api/pendingSaves';
import type { Draft } from './draftHistory';

const PAUSE_MS = 250;

export type SaveState = 'saved' | 'saving' | 'conflict' | 'failed';

/**
 * Saves the draft shortly after each change, one save at a time, and at once when the window goes away.
 * A save that another window overtook is refused by the server and told, never forced.
 */
export function useAutosave(drinkId: number, firstRevision: number) {
  const [state, setState] = useState<SaveState>('saved');
  const [failure, setFailure] = useState('');
  const revision = useRef(firstRevision);
  const waiting = useRef<Draft | null>(null);
  const running = useRef<Promise<void> | null>(null);
  const timer = useRef(0);

  const saveOne = useCallback(
    async (draft: Draft) => {
      try {
        const saved = unwrap(
          await client.PUT('/api/drinks/{drink_id}/draft', {
            params: { path: { drink_id: drinkId } },
            body: { parent_trial_id: draft.parentTrialId, spec: draft.spec, revision: revision.current },
            keepalive: true,
          }),
        );
        revision.current = saved.revision;
        if (waiting.current === null) setState('saved');
        return true;
      } catch (error) {
        // What could not be saved waits for the next change, or for the person to try again.
        waiting.current ??= draft;
        setFailure(error instanceof ProblemError ? error.message : 'the server doesn’t answer');
        setState(error instanceof ProblemError && error.code === 'conflict' ? 'conflict' : 'failed');
        return false;
      }
    },
    [drinkId],
  );

  const flush = useCallback((): Promise<void> => {
    window.clearTimeout(timer.current);
    const saveAll = async () => {
      let going = true;
      while (going && waiting.current) {
        const draft = waiting.current;
        waiting.current = null;
        going = await saveOne(draft);
      }
      running.current = null;
    };
    if (running.current) return running.current;
    if (!waiting.current) return Promise.resolve();
    running.current = saveAll();
    whilePending(running.current);
    return running.current;
  }, [saveOne]);

  const schedule = useCallback(
    (draft: Draft) => {
      waiting.current = draft;
      setState((now) => (now === 'conflict' ? now : 'saving'));
      window.clearTimeout(timer.current);
      timer.current = window.setTimeout(() => void flush(), PAUSE_MS);
    },
    [flush],
  );

  /** After a trial was kept the server has the draft, at this revision. */
  const settle = useCallback((at: number) => {
    revision.current = at;
    waiting.current = null;
    setState('saved');
  }, []);

  /** Goes on with what is here, over what another window saved. */
  const takeOver = useCallback(
    (at: number) => {
      revision.current = at;
      setState('saving');
      void flush();
    },
    [flush],
  );

  useEffect(() => {
    const leave = () => void flush();
    window.addEventListener('pagehide', leave);
    document.addEventListener('visibilitychange', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      document.removeEventListener('visibilitychange', leave);
      leave();
    };
  }, [flush]);

  return useMemo(
    () => ({ state, failure, schedule, flush, settle, takeOver, revision: () => revision.current }),
    [state, failure, schedule, flush, settle, takeOver],
  );
}
