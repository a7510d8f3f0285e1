import { useState } from 'react';
import { Outlet } from 'react-router';

import { useMediaQuery } from '@/hooks';
import { HeaderSlot } from '@/ui';
import { SideNav } from './SideNav';
import { ConnectionStatus } from './ConnectionStatus';
import { BottomNav } from './BottomNav';
import { useGlobalControls } from './useGlobalControls';

const PHONE = '(max-width: 500px)';

/** What stays while pages change: the six places at the left, on a phone at the thumb, and the head that a page writes into. */
export function Layout() {
  const [bar, setBar] = useState<HTMLElement | null>(null);
  const { switches, dialogs } = useGlobalControls();
  const isPhone = useMediaQuery(PHONE);
  return (
    <HeaderSlot value={bar}>
      {isPhone ? <BottomNav switches={switches} /> : <SideNav switches={switches} />}
      <div className="frame">
        <header className="flex items-start gap-2 px-2.5 pt-2.5 print:hidden">
          <div ref={setBar} className="flex min-w-0 grow flex-wrap items-center gap-x-3 gap-y-1.5" />
          <ConnectionStatus />
        </header>
        <Outlet />
      </div>
      {dialogs}
    </HeaderSlot>
  );
}
