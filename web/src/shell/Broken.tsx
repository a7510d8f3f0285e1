import { useRouteError } from 'react-router';

import { Waiting } from './Waiting';

/** A fault of the app itself: the draft is saved already, so starting again loses nothing. */
export function Broken() {
  const fault = useRouteError();
  const words = fault instanceof Error ? fault.message : 'unknown fault';
  return <Waiting error={{ detail: `Something in Oenomel broke (${words}). Your draft is saved; open it again.` }} />;
}
