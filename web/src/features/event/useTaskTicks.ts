import { useState } from 'react';

import { useTickEvent } from '@/api';

/** What is ticked of the evening: at once on the screen, and written down behind it; what can’t be written goes back. */
export function useTaskTicks(kind: 'task' | 'bought') {
  const [ticked, setTicked] = useState<Readonly<Record<string, boolean>>>({});
  const write = useTickEvent();
  return {
    of: <T extends { key: string; done: boolean }>(item: T): T => ({ ...item, done: ticked[item.key] ?? item.done }),
    tick: (key: string, done: boolean) => {
      setTicked((now) => ({ ...now, [key]: done }));
      write.mutate(
        { body: { what: `${kind} ${key}`, done } },
        { onError: () => setTicked((now) => ({ ...now, [key]: !done })) },
      );
    },
    fault: write.error,
  };
}
