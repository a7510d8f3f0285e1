import { useEffect, useSyncExternalStore } from 'react';

import { connectivity, newIdempotencyKey, ProblemError, saveDraft, unwrap, whilePending } from '@/api';
import type { DrinkDetail, Trial } from '@/api';
import { sameDrink } from '@/spec';
import type { Draft } from './draft';
import { BEAT_MS, forgetUnsaved, storeUnsaved, WINDOW, type PendingSave, type TypedInput } from './unsaved';

const PAUSE_MS = 250;
const TYPED_AFTER_MS = 300;
const TRY_AGAIN_MS = 2000;
const LONGEST_TRY_MS = 30_000;

/** `looking`: this device may look and try; it saves nothing. */
export type SaveState = 'saved' | 'saving' | 'conflict' | 'failed' | 'looking';

/** Refusals after which trying again has no sense. */
const FINAL: Record<string, SaveState> = { conflict: 'conflict', 'only-looking': 'looking' };

/**
 * Saves the draft shortly after each change, one save at a time, and goes on trying until the server has it, also when the bench is left.
 * Until then it is kept in the browser. A save that another window overtook is refused by the server and told, never forced.
 */
export class Autosave {
  private told: { state: SaveState; failure: string } = { state: 'saved', failure: '' };
  private latest: Draft;
  private waiting: Draft | null = null;
  private sending: PendingSave | null = null;
  private typed: TypedInput | null = null;
  private running: Promise<void> | null = null;
  private timer = 0;
  private beat = 0;
  private left = false;
  private pause = TRY_AGAIN_MS;
  private readonly listeners = new Set<() => void>();

  constructor(
    private readonly drinkId: number,
    /** The draft's revision at the server. */
    public revision: number,
    /** What lies on the bench, as the server has it. */
    private saved: Draft,
  ) {
    this.latest = saved;
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly standing = () => this.told;

  /** What lies here that the server doesn't have yet. */
  get unsaved(): Draft | null {
    return this.waiting ?? (this.sending && this.latest);
  }

  schedule(draft: Draft): void {
    this.latest = this.waiting = draft;
    this.keep();
    if (this.told.state !== 'conflict') this.tell('saving');
    this.later(PAUSE_MS);
  }

  /**
   * An amount is being typed that isn't settled yet; null once it is. It is kept where that takes a while; once it is finished and only its
   * reading is awaited, it is told as being saved.
   */
  typing(typed: TypedInput | null, isFinished = false): void {
    const wasKept = this.typed !== null;
    this.typed = typed;
    if (isFinished && this.told.state === 'saved') this.tell('saving');
    if (!typed && this.told.state === 'saving' && !this.unsaved) this.tell('saved');
    if (typed) this.keepLater(TYPED_AFTER_MS);
    else if (wasKept) this.keep();
  }

  /** Saves what waits, and ends when nothing more does or a save was refused. */
  flush(): Promise<void> {
    window.clearTimeout(this.timer);
    if (this.running) return this.running;
    if (!this.waiting && !this.sending) return Promise.resolve();
    this.running = this.saveAll();
    whilePending(this.running);
    return this.running;
  }

  /** A trial is being kept: no save crosses with it. */
  async holdWhile(keeping: Promise<unknown>): Promise<void> {
    const held = Promise.allSettled([keeping]).then(() => {
      this.running = null;
      this.goOn();
    });
    this.running = held;
    await held;
  }

  /** After a trial was kept the server has it as the draft, at this revision; what was changed since waits to be saved over it. */
  keptAt(revision: number, trial: Trial): void {
    this.revision = revision;
    this.sending = null;
    if (this.waiting && sameDrink(this.waiting.spec, trial.spec)) this.waiting = null;
    if (this.waiting) this.waiting = { ...this.waiting, parentTrialId: trial.id };
    this.saved = { ...this.latest, spec: trial.spec, parentTrialId: trial.id };
    this.keep();
    this.tell(this.waiting ? 'saving' : 'saved');
  }

  /** Goes on with what is here, over what another window saved. */
  async takeOver(revision: number): Promise<void> {
    // A try that is under way is still over what was before.
    await this.running;
    this.revision = revision;
    this.tell('saving');
    await this.flush();
  }

  /** Tries what waits, unless the person has to choose first. */
  goOn(): void {
    if (this.told.state === 'saving' || this.told.state === 'failed') void this.flush();
  }

  /** Lets go of what isn't saved. */
  letGo(): void {
    window.clearTimeout(this.timer);
    this.waiting = this.sending = this.typed = null;
    this.keep();
  }

  /** The window goes away: what waits is sent, and what stays is there for whoever opens the drink next. */
  leave(): void {
    this.left = true;
    this.keep();
    this.goOn();
  }

  /** The window is there again: it was put away and not closed. */
  comeBack(): void {
    this.left = false;
    this.keep();
  }

  /** Sees to it that what the server doesn't have is in the browser; asks before leaving where that can't be. */
  private keep(): void {
    const { drinkId, revision, saved, latest, sending, typed, left } = this;
    window.clearTimeout(this.beat);
    if (!this.unsaved && !typed) {
      forgetUnsaved({ drinkId, window: WINDOW });
      onlyHere.delete(this);
      return;
    }
    const at = Date.now();
    const kept = storeUnsaved({ drinkId, window: WINDOW, revision, saved, draft: latest, sending, typed, at, left });
    if (kept) onlyHere.delete(this);
    else onlyHere.add(this);
    this.keepLater(BEAT_MS);
  }

  private keepLater(ms: number): void {
    window.clearTimeout(this.beat);
    this.beat = window.setTimeout(() => this.keep(), ms);
  }

  private tell(state: SaveState, failure = ''): void {
    this.told = { state, failure };
    this.listeners.forEach((listen) => listen());
  }

  private later(ms: number): void {
    window.clearTimeout(this.timer);
    this.timer = window.setTimeout(() => void this.flush(), ms);
  }

  private async saveAll(): Promise<void> {
    let going = true;
    while (going && (this.sending ?? this.waiting)) going = await this.saveOne();
    this.running = null;
    this.keep();
  }

  private async saveOne(): Promise<boolean> {
    this.sending ??= this.taken();
    if (!this.sending) return false;
    const { key, body } = this.sending;
    this.keep();
    try {
      this.revision = unwrap(await saveDraft(this.drinkId, body, key)).revision;
      this.sending = null;
      this.pause = TRY_AGAIN_MS;
      this.saved = { ...this.latest, spec: body.spec, parentTrialId: body.parent_trial_id };
      if (this.waiting === null) this.tell('saved');
      return true;
    } catch (fault) {
      this.refused(fault);
      return false;
    }
  }

  /** What waits, as a save of its own. */
  private taken(): PendingSave | null {
    const draft = this.waiting;
    if (!draft) return null;
    this.waiting = null;
    return {
      key: newIdempotencyKey(),
      body: { parent_trial_id: draft.parentTrialId, spec: draft.spec, revision: this.revision },
    };
  }

  /** What could not be saved waits: for another try, or for the person to choose. */
  private refused(fault: unknown): void {
    this.waiting ??= this.latest;
    this.sending = null;
    const { code, detail } = fault instanceof ProblemError ? fault : { code: '', detail: String(fault) };
    const state = FINAL[code] ?? 'failed';
    if (state === 'looking') this.waiting = null;
    this.tell(state, detail);
    if (state !== 'failed') return;
    this.later(this.pause);
    this.pause = Math.min(this.pause * 2, LONGEST_TRY_MS);
  }
}

/** Those of this window, by drink: they go on when the bench is left. */
const autosaves = new Map<number, Autosave>();

/** Those whose unsaved work is nowhere but in this window. */
const onlyHere = new Set<Autosave>();

window.addEventListener('pagehide', () => autosaves.forEach((item) => item.leave()));
window.addEventListener('pageshow', () => autosaves.forEach((item) => item.comeBack()));
document.addEventListener('visibilitychange', () => {
  if (document.visibilityState === 'hidden') autosaves.forEach((item) => item.goOn());
});
window.addEventListener('beforeunload', (event) => {
  if (onlyHere.size > 0) event.preventDefault();
});
connectivity.subscribe(() => !connectivity.isUnreachable() && autosaves.forEach((item) => item.goOn()));

/** The saving of a drink's draft: the one that still has something to save, or a new one. */
export function autosaveOf(drink: DrinkDetail, lying: Draft): Autosave {
  const known = autosaves.get(drink.id);
  if (known?.unsaved) return known;
  const fresh = new Autosave(drink.id, drink.draft?.revision ?? 0, lying);
  autosaves.set(drink.id, fresh);
  return fresh;
}

/** The saving of a drink's draft that is under way in this window, if one is. */
export const activeAutosave = (drinkId: number) => autosaves.get(drinkId);

/** Sends what waits when the bench is left. */
export function useSaveOnLeave(autosave: Autosave): void {
  useEffect(() => () => autosave.goOn(), [autosave]);
}

/** How the saving stands, for who shows it. */
export function useSaveState(autosave: Autosave) {
  return useSyncExternalStore(autosave.subscribe, autosave.standing);
}
