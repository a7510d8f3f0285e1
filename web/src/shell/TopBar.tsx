import { BookOpen, Sunrise } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link, useLocation } from 'react-router';

import { NEAR } from './near';
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
  { to: '/book', name: 'Recipes', icon: BookOpen },
];

/** The mark, the ways to Today, the book and the other rooms, and the page's own line. */
export function TopBar({ children, actions }: Props) {
  const { pathname } = useLocation();
  return (
    <header className="flex flex-wrap items-center gap-x-2 gap-y-1.5 max-[500px]:gap-x-1.5">
      <nav
        aria-label="Places"
        className="flex items-center gap-2 max-[500px]:fixed max-[500px]:inset-x-0 max-[500px]:bottom-0 max-[500px]:z-40 max-[500px]:grid max-[500px]:grid-cols-4 max-[500px]:gap-1 max-[500px]:border-t max-[500px]:border-base-300 max-[500px]:bg-base-100 max-[500px]:px-2 max-[500px]:pt-1 max-[500px]:pb-[max(0.25rem,env(safe-area-inset-bottom))]"
      >
        <Link
          to="/"
          aria-label="Oenomel: Bench"
          aria-current={pathname.startsWith('/bench') ? 'page' : undefined}
          className={`shrink-0 rounded-xl max-[500px]:flex ${ON_A_PHONE}`}
        >
          <img src="/mark.svg" alt="" width={40} height={40} className="max-[500px]:size-6" />
          <span className="min-[501px]:hidden">Bench</span>
        </Link>
        {NEAREST.map(({ to, name, icon: Icon }) => (
          <Link key={to} to={to} aria-current={pathname === to ? 'page' : undefined} className={NEAR}>
            <Icon size={20} aria-hidden /> {name}
          </Link>
        ))}
        <RoomsMenu />
      </nav>
      <div className={`ml-auto flex items-center gap-2 lg:order-3 ${actions ? 'lg:ml-0' : ''}`}>
        <Reached words={!children} />
        <ViewSwitches />
      </div>
      {(children ?? actions) && <div className="basis-full max-[500px]:hidden lg:hidden" />}
      {children && (
        <div className="min-w-0 basis-full max-[500px]:order-first max-[500px]:grow max-[500px]:basis-[11rem] sm:basis-auto">
          {children}
        </div>
      )}
      {actions && <div className="flex flex-wrap items-center gap-2 sm:ml-auto lg:order-2">{actions}</div>}
    </header>
  );
}

const ON_A_PHONE =
  'max-[500px]:h-14 max-[500px]:flex-col max-[500px]:items-center max-[500px]:justify-center max-[500px]:gap-0.5 max-[500px]:text-base max-[500px]:aria-[current=page]:bg-secondary';
