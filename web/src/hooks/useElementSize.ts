import { startTransition, useLayoutEffect, useRef, useState } from 'react';

/**
 * The size of an element in px, so that drawings keep their text legible at every width. It follows a frame later: words that take
 * another line must not hold back the figures that a hand waits for.
 */
export function useElementSize<T extends Element>() {
  const ref = useRef<T>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => {
      if (!entry) return;
      const { width, height } = entry.contentRect;
      startTransition(() => setSize({ width, height }));
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return { ref, size };
}
