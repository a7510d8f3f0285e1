import { useContext, type ReactNode } from 'react';
import { createPortal } from 'react-dom';

import { HeaderSlot } from './headerSlot';
import { SectionTabs } from './SectionTabs';

interface Props {
  /** The page's own title; the tabs of its place where it has none. */
  children?: ReactNode;
  /** The page's own actions, at the far end. */
  actions?: ReactNode;
}

/** What the open page shows in the head of the window: its title or the tabs of its place, and its actions. */
export function PageHeader({ children, actions }: Props) {
  const bar = useContext(HeaderSlot);
  return (
    bar &&
    createPortal(
      <>
        <div className="min-w-0 max-[500px]:basis-full">{children ?? <SectionTabs />}</div>
        {actions && <div className="flex flex-wrap items-center gap-2 sm:ml-auto">{actions}</div>}
      </>,
      bar,
    )
  );
}
