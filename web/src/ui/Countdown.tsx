import { Timer } from 'lucide-react';
import { useEffect, useState } from 'react';

interface Props {
  minutes: number;
  /** What is timed. */
  what: string;
}

/** Counts minutes down at the stove; it says aloud when they are over. */
export function Countdown({ minutes, what }: Props) {
  const [ends, setEnds] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (ends === null) return;
    const timer = setInterval(() => setNow(Date.now()), 500);
    return () => clearInterval(timer);
  }, [ends]);
  const left = ends === null ? minutes * 60 : Math.max(0, Math.ceil((ends - now) / 1000));
  const over = ends !== null && left === 0;
  const clock = `${Math.floor(left / 60)}:${String(left % 60).padStart(2, '0')}`;
  return (
    <>
      <button
        type="button"
        className={`btn min-h-11 min-w-24 gap-1 px-2 font-figure text-lg ${over ? 'btn-primary' : 'btn-ghost border-base-content'}`}
        aria-label={`${clock}, ${ends === null ? 'start' : 'stop'} the timer`}
        onClick={() => {
          setNow(Date.now());
          setEnds(ends === null ? Date.now() + minutes * 60_000 : null);
        }}
      >
        <Timer size={18} aria-hidden /> {clock}
      </button>
      <span role="status" className="sr-only">
        {over ? `${minutes} minutes of ${what} are over.` : ''}
      </span>
    </>
  );
}
