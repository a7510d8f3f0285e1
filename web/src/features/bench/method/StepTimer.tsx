import { Timer } from 'lucide-react';
import { useEffect, useState } from 'react';

interface Props {
  seconds: number;
  /** How one sees that it is enough. */
  sign: string;
}

/** Counts the seconds of a shake or a stir; the sign decides, not the clock. */
export function StepTimer({ seconds, sign }: Props) {
  const [started, setStarted] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (started === null) return;
    const timer = setInterval(() => setNow(Date.now()), 200);
    return () => clearInterval(timer);
  }, [started]);
  const gone = started === null ? 0 : Math.floor(Math.max(0, now - started) / 1000);
  const enough = started !== null && gone >= seconds;
  return (
    <>
      <button
        type="button"
        className={`btn min-h-11 min-w-18 gap-1 px-2 font-figure text-lg ${enough ? 'btn-primary' : 'btn-ghost border-base-content'}`}
        aria-label={started === null ? `Start the timer, ${seconds} seconds` : 'Stop the timer'}
        onClick={() => {
          setNow(Date.now());
          setStarted(started === null ? Date.now() : null);
        }}
      >
        <Timer size={18} aria-hidden /> {started === null ? `${seconds} s` : `${gone} s`}
      </button>
      <span role="status" className="sr-only">
        {enough ? `${seconds} seconds. ${sign}` : ''}
      </span>
    </>
  );
}
