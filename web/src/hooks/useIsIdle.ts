import { useEffect, useState } from 'react';

/** Longest wait for a moment in which nothing else is done, ms. */
const LONGEST_MS = 3000;

/** Whether the page has had a moment of rest since it was opened: for what it will need and doesn't show yet. */
export function useIsIdle(): boolean {
  const [isIdle, setIsIdle] = useState(false);
  useEffect(() => {
    // Not in every browser.
    if (!('requestIdleCallback' in window)) {
      const timer = setTimeout(() => setIsIdle(true), LONGEST_MS);
      return () => clearTimeout(timer);
    }
    const request = requestIdleCallback(() => setIsIdle(true), { timeout: LONGEST_MS });
    return () => cancelIdleCallback(request);
  }, []);
  return isIdle;
}
