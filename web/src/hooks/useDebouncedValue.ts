import { useEffect, useState } from 'react';

/** A value once it has rested for so many ms: for what may follow a hand a moment later. */
export function useDebouncedValue<T>(value: T, ms: number): T {
  const [rested, setRested] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setRested(value), ms);
    return () => clearTimeout(timer);
  }, [value, ms]);
  return rested;
}
