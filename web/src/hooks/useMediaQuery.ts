import { useSyncExternalStore } from 'react';

/** Whether the window is so, by a media query. */
export function useMediaQuery(query: string): boolean {
  return useSyncExternalStore(
    (tell) => {
      const mediaQueryList = matchMedia(query);
      mediaQueryList.addEventListener('change', tell);
      return () => mediaQueryList.removeEventListener('change', tell);
    },
    () => matchMedia(query).matches,
  );
}
