import { CloudOff } from 'lucide-react';

import { useIsUnreachable } from '@/api';

/** Told quietly on every page while the server doesn't answer. */
export function ConnectionStatus() {
  const gone = useIsUnreachable();
  return (
    <span role="status" className="flex items-center gap-1.5 text-base text-warning empty:hidden">
      {gone && (
        <>
          <CloudOff size={22} aria-hidden /> <span className="max-lg:sr-only">no answer, retrying</span>
        </>
      )}
    </span>
  );
}
