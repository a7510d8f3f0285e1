import { useState } from 'react';
import { Outlet } from 'react-router';

import { useMedia } from '../ui/useMedia';
import { Bar } from './bar';
import { Rail } from './Rail';
import { Reached } from './Reached';
import { ThumbBar } from './ThumbBar';
import { useSwitches } from './useSwitches';

const PHONE = '(max-width: 500px)';

/** What stays while pages change: the six places at the left, on a phone at the thumb, and the head that a page writes into. */
export function Frame() {
  const [bar, setBar] = useState<HTMLElement | null>(null);
  const { switches, dialogs } = useSwitches();
  const isPhone = useMedia(PHONE);
  return (
    <Bar value={bar}>
      {isPhone ? <ThumbBar switches={switches} /> : <Rail switches={switches} />}
      <div className="frame">
        <header className="flex items-start gap-2 px-2.5 pt-2.5 print:hidden">
          <div ref={setBar} className="flex min-w-0 grow flex-wrap items-center gap-x-3 gap-y-1.5" />
          <Reached />
        </header>
        <Outlet />
      </div>
      {dialogs}
    </Bar>
  );
}
