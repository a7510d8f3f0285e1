import { Component, useEffect, type ReactNode } from 'react';
import { useLocation } from 'react-router';

import { connectivity, useIsUnreachable } from '@/api';
import { LoadingOrError, ScriptMissing, ServerUnreachable } from '@/ui';

interface Props {
  /** Where the page is: another address is another try. */
  address: string;
  children: ReactNode;
}

interface State {
  /** What was thrown; null where nothing was. */
  fault: unknown;
  address: string;
}

class Boundary extends Component<Props, State> {
  override state: State = { fault: null, address: this.props.address };

  static getDerivedStateFromError(fault: unknown) {
    return { fault };
  }

  static getDerivedStateFromProps({ address }: Props, state: State) {
    return address === state.address ? null : { fault: null, address };
  }

  override render() {
    return this.state.fault === null ? this.props.children : <Stopped fault={this.state.fault} />;
  }
}

/** Shows what stopped a page: a script that didn't come, or a fault of the app itself. */
export function ErrorBoundary({ children }: { children: ReactNode }) {
  const { pathname } = useLocation();
  return <Boundary address={pathname}>{children}</Boundary>;
}

/** What isn't saved yet is kept in this browser; starting again loses nothing. */
function Stopped({ fault }: { fault: unknown }) {
  if (fault instanceof ScriptMissing) return <PageRetry />;
  const words = fault instanceof Error ? fault.message : 'unknown error';
  return (
    <LoadingOrError
      error={{ detail: `Oenomel stopped (${words}). Your draft is safe in this browser. Open the page again.` }}
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
    if (gone) return connectivity.onceReachable(() => globalThis.location.reload());
    const pause = Math.min(Number(sessionStorage.getItem(PAUSE)) || FIRST_PAUSE_MS, LONGEST_PAUSE_MS);
    const timer = window.setTimeout(() => {
      sessionStorage.setItem(PAUSE, String(pause * 2));
      globalThis.location.reload();
    }, pause);
    return () => window.clearTimeout(timer);
  }, [gone]);
  return <ServerUnreachable />;
}
