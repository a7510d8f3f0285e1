import { connectivity } from './connectivity';

/** Saves that are on their way. Who reads the book or a drink waits for them, or would read what was before. */
const pending = new Set<Promise<unknown>>();

export function whilePending(save: Promise<unknown>): void {
  pending.add(save);
  void save.finally(() => pending.delete(save));
}

/** Ends when they have arrived, or when the server doesn't answer anyway. */
export async function savesSettled(): Promise<void> {
  if (pending.size === 0 || connectivity.isUnreachable()) return;
  await new Promise<void>((resolve) => {
    const forget = connectivity.subscribe(() => connectivity.isUnreachable() && resolve());
    void Promise.allSettled(pending).then(() => {
      forget();
      resolve();
    });
  });
}
