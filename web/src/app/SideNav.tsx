import type { ReactNode } from 'react';
import { Link, useLocation } from 'react-router';

import { sectionOf, SECTIONS } from '@/ui';

/** The six places down the left side, each a sign with its word under it; below them what is switched on every page. */
export function SideNav({ switches }: { switches: ReactNode }) {
  const { pathname } = useLocation();
  const here = sectionOf(pathname);
  return (
    <aside className="fixed inset-y-0 left-0 z-40 flex w-(--rail) flex-col justify-between gap-3 overflow-y-auto border-r border-base-300 bg-base-100 px-1 py-2 print:hidden">
      <nav aria-label="Places">
        <ul className="flex flex-col gap-1">
          {SECTIONS.map((place) => (
            <li key={place.name}>
              <Link to={place.to} aria-current={place === here ? 'page' : undefined} className={NAV_ITEM}>
                <place.icon size={22} aria-hidden /> {place.name}
              </Link>
            </li>
          ))}
        </ul>
      </nav>
      <div className="flex flex-col gap-1">{switches}</div>
    </aside>
  );
}

/** A sign with its word under it. */
export const NAV_ITEM =
  'flex min-h-13 w-full cursor-pointer flex-col items-center justify-center gap-0.5 rounded-xl text-sm leading-none hover:bg-secondary aria-[current=page]:bg-secondary aria-[current=page]:font-semibold';
