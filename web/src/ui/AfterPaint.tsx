import { startTransition, useEffect, useState, type ReactNode } from 'react';

interface Props<T> {
  value: T;
  children: (later: T) => ReactNode;
}

/**
 * What may follow the figures that a hand waits for: it gets a value once the frame after it was painted, and whatever a hand does next
 * comes before it. Its children should draw anew only when what they get is another.
 */
export function AfterPaint<T>({ value, children }: Props<T>) {
  const [later, setLater] = useState(value);
  useEffect(() => {
    let timer = 0;
    const frame = requestAnimationFrame(() => {
      timer = window.setTimeout(() => startTransition(() => setLater(value)));
    });
    return () => {
      cancelAnimationFrame(frame);
      window.clearTimeout(timer);
    };
  }, [value]);
  return children(later);
}
