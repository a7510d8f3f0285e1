import { BookOpen, Sunrise } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link, useLocation } from 'react-router';

import { Reached } from './Reached';
import { RoomsMenu } from './RoomsMenu';
import { ViewSwitches } from './ViewSwitches';

interface Props {
  /** What the page says of itself, beside the mark. */
  children?: ReactNode;
  /** The page's own actions, at the far end. */
  actions?: ReactNode;
}

/** A press away from anywhere; the other rooms stand behind one button. */
const NEAREST = [
  { to: '/today', name: 'Today', icon: Sunrise },
  { to: '/book', name: 'Book', icon: BookOpen },
];

/** The mark, the ways to Today, the book and the other rooms, and the page's own line. */
export function TopBar({ children, actions }: Props) {
  const { pathname } = useLocation();
  return (
    <header className="flex flex-wrap items-center gap-x-2 gap-y-1.5 max-[500px]:gap-x-1.5">
      <Link to="/" aria-label="Oenomel: to the bench" className="shrink-0 rounded-xl">
        <img src="/mark.svg" alt="" width={40} height={40} />
      </Link>
      {NEAREST.map(({ to, name, icon: Icon }) => (
        <Link
          key={to}
          to={to}
          aria-current={pathname === to ? 'page' : undefined}
          className="btn btn-ghost min-h-11 gap-1.5 border-base-300 px-2.5"
        >
          <Icon size={20} aria-hidden /> <span className="max-[500px]:sr-only">{name}</span>
        </Link>
      ))}
      <RoomsMenu />
      <div className={`ml-auto flex items-center gap-2 lg:order-3 ${actions ? 'lg:ml-0' : ''}`}>
        <Reached words={!children} />
        <ViewSwitches />
      </div>
      {(children ?? actions) && <div className="basis-full lg:hidden" />}
      {children && <div className="min-w-0 basis-full sm:basis-auto">{children}</div>}
      {actions && <div className="flex flex-wrap items-center gap-2 sm:ml-auto lg:order-2">{actions}</div>}
    </header>
  );
}
