import { useSyncExternalStore } from 'react';

/** Whether the window is so, by a media query. */
export function useMedia(query: string): boolean {
  return useSyncExternalStore(
    (tell) => {
      const asked = matchMedia(query);
      asked.addEventListener('change', tell);
      return () => asked.removeEventListener('change', tell);
    },
    () => matchMedia(query).matches,
  );
}
