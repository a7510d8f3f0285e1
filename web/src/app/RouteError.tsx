import { useEffect } from 'react';
import { useRouteError } from 'react-router';

import { connectivity, useIsUnreachable } from '@/api';
import { PageLoadError } from './lazyPage';
import { LoadingOrError, ServerUnreachable } from '@/ui';

/** A room that didn't come, or a fault of the app itself. What isn't saved yet is kept in this browser; starting again loses nothing. */
export function RouteError() {
  const fault = useRouteError();
  if (fault instanceof PageLoadError) return <PageRetry />;
  const words = fault instanceof Error ? fault.message : 'unknown error';
  return (
    <LoadingOrError
      error={{
        detail: `Oenomel stopped (${words}). Your draft is safe in this browser. Open the page again.`,
      }}
    />
  );
}

const PAUSE = 'oenomel.room-pause';
const FIRST_PAUSE_MS = 1000;
const LONGEST_PAUSE_MS = 16_000;

/** Opens the page anew as soon as the server answers, with pauses that grow while it doesn't help. */
function PageRetry() {
  const gone = useIsUnreachable();
  useEffect(() => {
    if (gone) return connectivity.whenBack(() => globalThis.location.reload());
    const pause = Math.min(Number(sessionStorage.getItem(PAUSE)) || FIRST_PAUSE_MS, LONGEST_PAUSE_MS);
    const timer = window.setTimeout(() => {
      sessionStorage.setItem(PAUSE, String(pause * 2));
      globalThis.location.reload();
    }, pause);
    return () => window.clearTimeout(timer);
  }, [gone]);
  return <ServerUnreachable />;
}
