import { Link, useLocation } from 'react-router';

import { sectionOf, tabOf } from './sections';

/** The views of the place one is in; the open one is the page's heading. */
export function SectionTabs() {
  const { pathname } = useLocation();
  const place = sectionOf(pathname);
  if (!place) return null;
  const open = tabOf(place, pathname);
  return (
    <nav aria-label={place.name} className="-mx-1 overflow-x-auto px-1">
      <ul className="flex items-center gap-1">
        {place.tabs.map((tab) => {
          const link = (
            <Link
              to={tab.to}
              title={tab.does}
              aria-current={tab === open ? 'page' : undefined}
              className="flex min-h-11 items-center rounded-xl px-3 text-lg whitespace-nowrap hover:bg-secondary aria-[current=page]:bg-secondary aria-[current=page]:font-display aria-[current=page]:text-xl aria-[current=page]:font-semibold"
            >
              {tab.name}
            </Link>
          );
          return <li key={tab.to}>{tab.to === pathname ? <h1>{link}</h1> : link}</li>;
        })}
      </ul>
    </nav>
  );
}
