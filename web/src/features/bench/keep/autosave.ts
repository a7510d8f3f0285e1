import { useEffect, useState, useSyncExternalStore } from 'react';

import { client, ProblemError, unwrap } from '../../../api/client';
import { whilePending } from '../../../api/pendingSaves';
import type { Draft } from './draftHistory';

const PAUSE_MS = 250;

export type SaveState = 'saved' | 'saving' | 'conflict' | 'failed';

/**
 * Saves the draft shortly after each change, one save at a time, and at once when the window goes away. A save that another window
 * overtook is refused by the server and told, never forced. Who shows how it stands listens; the bench is not drawn anew for it.
 */
export class Autosave {
  private told: { state: SaveState; failure: string } = { state: 'saved', failure: '' };
  private waiting: Draft | null = null;
  private running: Promise<void> | null = null;
  private timer = 0;
  private readonly listeners = new Set<() => void>();

  constructor(
    private readonly drinkId: number,
    /** The draft's revision at the server. */
    public revision: number,
  ) {}

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly standing = () => this.told;

  schedule(draft: Draft): void {
    this.waiting = draft;
    if (this.told.state !== 'conflict') this.tell('saving');
    window.clearTimeout(this.timer);
    this.timer = window.setTimeout(() => void this.flush(), PAUSE_MS);
  }

  /** Saves what waits, and ends when nothing more does or a save was refused. */
  flush(): Promise<void> {
    window.clearTimeout(this.timer);
    if (this.running) return this.running;
    if (!this.waiting) return Promise.resolve();
    this.running = this.saveAll();
    whilePending(this.running);
    return this.running;
  }

  /** After a trial was kept the server has the draft, at this revision. */
  keptAt(revision: number): void {
    this.revision = revision;
    this.waiting = null;
    this.tell('saved');
  }

  /** Goes on with what is here, over what another window saved. */
  takeOver(revision: number): void {
    this.revision = revision;
    this.tell('saving');
    void this.flush();
  }

  private tell(state: SaveState, failure = ''): void {
    this.told = { state, failure };
    this.listeners.forEach((listen) => listen());
  }

  private async saveAll(): Promise<void> {
    let going = true;
    while (going && this.waiting) {
      const draft = this.waiting;
      this.waiting = null;
      going = await this.saveOne(draft);
    }
    this.running = null;
  }

  private async saveOne(draft: Draft): Promise<boolean> {
    try {
      const body = { parent_trial_id: draft.parentTrialId, spec: draft.spec, revision: this.revision };
      const params = { path: { drink_id: this.drinkId } };
      this.revision = unwrap(
        await client.PUT('/api/drinks/{drink_id}/draft', { params, body, keepalive: true }),
      ).revision;
      if (this.waiting === null) this.tell('saved');
      return true;
    } catch (fault) {
      // What could not be saved waits for the next change, or for the person to try again.
      this.waiting ??= draft;
      const { code, detail } = fault instanceof ProblemError ? fault : { code: '', detail: String(fault) };
      this.tell(code === 'conflict' ? 'conflict' : 'failed', detail);
      return false;
    }
  }
}

/** The saving of a drink's draft, for as long as the bench is there. */
export function useAutosave(drinkId: number, firstRevision: number): Autosave {
  const [autosave] = useState(() => new Autosave(drinkId, firstRevision));
  useEffect(() => {
    const leave = () => void autosave.flush();
    window.addEventListener('pagehide', leave);
    document.addEventListener('visibilitychange', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      document.removeEventListener('visibilitychange', leave);
      leave();
    };
  }, [autosave]);
  return autosave;
}

/** How the saving stands, for who shows it. */
export function useSaveStanding(autosave: Autosave) {
  return useSyncExternalStore(autosave.subscribe, autosave.standing);
}
