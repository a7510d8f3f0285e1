/** Saves that are on their way. Who reads the book or a drink waits for them, or would read what was before. */
const pending = new Set<Promise<unknown>>();

export function whilePending(save: Promise<unknown>): void {
  pending.add(save);
  void save.finally(() => pending.delete(save));
}

export async function savesSettled(): Promise<void> {
  await Promise.allSettled(pending);
}
