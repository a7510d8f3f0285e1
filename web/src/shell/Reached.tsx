import { CloudOff } from 'lucide-react';

import { useGone } from '../api/reach';

interface Props {
  /** Whether there is room for words; the sign stands for them otherwise. */
  words: boolean;
}

/** Told quietly on every page while the server doesn't answer. */
export function Reached({ words }: Props) {
  const gone = useGone();
  return (
    <span role="status" className="flex items-center gap-1.5 text-base text-warning empty:hidden">
      {gone && (
        <>
          <CloudOff size={22} aria-hidden />{' '}
          <span className={words ? 'max-lg:sr-only' : 'sr-only'}>no answer, retrying</span>
        </>
      )}
    </span>
  );
}
