import { lazy, Suspense, useState, type ComponentType, type ReactNode } from 'react';

import { connectivity } from '@/api';

/** A script of the app that doesn't come, though the server answers: another version is installed by now. */
export class ScriptMissing extends Error {}

/** Loads a script; while the server doesn't answer it waits. */
async function loadPatiently<T>(load: () => Promise<T>): Promise<T> {
  for (;;) {
    try {
      return await load();
    } catch {
      const answers = await fetch('/api/health', { cache: 'no-store' }).catch(() => null);
      if (answers) throw new ScriptMissing();
      connectivity.reportFailure();
      await new Promise<void>((resolve) => connectivity.onceReachable(resolve));
    }
  }
}

/**
 * A component whose script is fetched when it is first shown, or before by `preload`.
 * It throws ScriptMissing where the script doesn't come.
 */
export function lazyComponent<Props extends object>(
  load: () => Promise<ComponentType<Props>>,
  fallback: ReactNode = null,
) {
  let loaded: ComponentType<Props> | null = null;
  const keep = (component: ComponentType<Props>) => (loaded = component);
  const Loading = lazy(async () => ({ default: keep(await loadPatiently(load)) })) as unknown as ComponentType<Props>;
  const Lazy = (props: Props) => {
    // What is there already is drawn at once: keys that follow the one that opened it are not lost.
    const [Ready] = useState(() => loaded);
    if (Ready) return <Ready {...props} />;
    return (
      <Suspense fallback={fallback}>
        <Loading {...props} />
      </Suspense>
    );
  };
  return Object.assign(Lazy, { preload: () => void load().then(keep, () => undefined) });
}
