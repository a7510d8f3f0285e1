import { useLayoutEffect, useRef, type RefObject } from 'react';

/** What was drawn last, for handlers that stay the same while it changes. */
export function useLatest<T>(value: T): RefObject<T> {
  const latest = useRef(value);
  useLayoutEffect(() => {
    latest.current = value;
  });
  return latest;
}
