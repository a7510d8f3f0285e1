import { lazy, Suspense, type ComponentType, type ReactNode } from 'react';

import { connectivity } from '@/api';

/** A script of the app that didn't come. */
export class ScriptMissing extends Error {}

/**
 * A component whose script is fetched when it is first shown, or before by `preload`.
 * It throws ScriptMissing where the script doesn't come.
 */
export function lazyComponent<Props extends object>(
  load: () => Promise<ComponentType<Props>>,
  fallback: ReactNode = null,
) {
  const Loaded = lazy(async () => {
    try {
      return { default: await load() };
    } catch {
      // Whether it was the server is found out by asking it something else.
      await fetch('/api/health', { cache: 'no-store' }).catch(() => connectivity.reportFailure());
      throw new ScriptMissing();
    }
  }) as unknown as ComponentType<Props>;
  const Lazy = (props: Props) => (
    <Suspense fallback={fallback}>
      <Loaded {...props} />
    </Suspense>
  );
  return Object.assign(Lazy, { preload: () => void load().catch(() => undefined) });
}
