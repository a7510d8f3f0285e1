import { useSyncExternalStore } from 'react';

const HEALTH = '/api/health';
const FIRST_PAUSE_MS = 400;
const LONGEST_PAUSE_MS = 8000;

/**
 * Whether the server answers. When it stops to, it is asked again with growing pauses, and at once when the network is back or somebody
 * looks at the page; whoever waits goes on as soon as it does.
 */
class Connectivity {
  private gone = false;
  private pause = FIRST_PAUSE_MS;
  private timer = 0;
  private readonly listeners = new Set<() => void>();
  private readonly onBack = new Set<() => void>();

  constructor() {
    const ask = () => void this.ask();
    window.addEventListener('online', ask);
    document.addEventListener('visibilitychange', ask);
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly isUnreachable = () => this.gone;

  /** A question got no answer. */
  reportFailure(): void {
    if (this.gone) return;
    this.gone = true;
    this.pause = FIRST_PAUSE_MS;
    this.tell();
    this.askLater();
  }

  /** A question got its answer. */
  reportSuccess(): void {
    if (!this.gone) return;
    this.gone = false;
    window.clearTimeout(this.timer);
    this.tell();
    const waiting = [...this.onBack];
    this.onBack.clear();
    waiting.forEach((goOn) => goOn());
  }

  /** Runs once, when the server answers again; the answer takes it back. */
  onceReachable(goOn: () => void): () => void {
    this.onBack.add(goOn);
    return () => this.onBack.delete(goOn);
  }

  /** Before a question is asked again: after a pause that grows with the attempts, or as soon as the server is back; until then it waits. */
  async waitBeforeRetry(attempt: number, signal: AbortSignal): Promise<void> {
    await this.paused(Math.min(FIRST_PAUSE_MS * 2 ** attempt, LONGEST_PAUSE_MS), signal);
    while (this.gone) await this.paused(LONGEST_PAUSE_MS, signal);
  }

  private paused(ms: number, signal: AbortSignal): Promise<void> {
    return new Promise((resolve, reject) => {
      const done = () => {
        window.clearTimeout(timer);
        forget();
        signal.removeEventListener('abort', stop);
        resolve();
      };
      const stop = () => {
        window.clearTimeout(timer);
        forget();
        reject(new DOMException('No longer needed.', 'AbortError'));
      };
      const timer = window.setTimeout(done, ms);
      const forget = this.onceReachable(done);
      signal.addEventListener('abort', stop, { once: true });
    });
  }

  private askLater(): void {
    window.clearTimeout(this.timer);
    this.timer = window.setTimeout(() => void this.ask(), this.pause);
    this.pause = Math.min(this.pause * 2, LONGEST_PAUSE_MS);
  }

  private async ask(): Promise<void> {
    if (!this.gone) return;
    try {
      await fetch(HEALTH, { cache: 'no-store' });
      this.reportSuccess();
    } catch {
      this.askLater();
    }
  }

  private tell(): void {
    this.listeners.forEach((listen) => listen());
  }
}

export const connectivity = new Connectivity();

/** Whether the server doesn't answer at the moment. */
export function useIsUnreachable(): boolean {
  return useSyncExternalStore(connectivity.subscribe, connectivity.isUnreachable);
}
