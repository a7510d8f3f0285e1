import { useEffect, useState } from 'react';

/** A value once the frame after it was painted: for what may follow the figures that a hand waits for. */
export function useAfterPaint<T>(value: T): T {
  const [later, setLater] = useState(value);
  useEffect(() => {
    let timer = 0;
    const frame = requestAnimationFrame(() => {
      timer = window.setTimeout(() => setLater(value));
    });
    return () => {
      cancelAnimationFrame(frame);
      window.clearTimeout(timer);
    };
  }, [value]);
  return later;
}
