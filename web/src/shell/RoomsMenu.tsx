import { LayoutGrid } from 'lucide-react';
import { useRef, useState } from 'react';
import { Link, useLocation } from 'react-router';

import { NEAR } from './near';
import { ROOM_GROUPS } from './rooms';

/** The other rooms, behind one button. */
export function RoomsMenu() {
  const { pathname } = useLocation();
  const [open, setOpen] = useState(false);
  const box = useRef<HTMLDivElement>(null);
  return (
    <div
      ref={box}
      className="relative"
      onBlur={(event) => {
        if (!event.currentTarget.contains(event.relatedTarget)) setOpen(false);
      }}
      onKeyDown={(event) => {
        if (event.key !== 'Escape' || !open) return;
        event.stopPropagation();
        setOpen(false);
        box.current?.querySelector('button')?.focus();
      }}
    >
      <button type="button" aria-expanded={open} aria-label="More" className={NEAR} onClick={() => setOpen(!open)}>
        <LayoutGrid size={20} aria-hidden /> More
      </button>
      {open && (
        <div className="panel absolute top-full left-0 z-40 mt-1 w-84 p-1.5 shadow-lg max-[500px]:fixed max-[500px]:inset-x-2 max-[500px]:top-auto max-[500px]:bottom-(--thumb) max-[500px]:max-h-[80dvh] max-[500px]:w-auto max-[500px]:overflow-y-auto">
          {ROOM_GROUPS.map(([group, rooms]) => (
            <section key={group} aria-label={group}>
              <p className="px-3 pt-2 text-base text-quiet" aria-hidden>
                {group}
              </p>
              <ul>
                {rooms.map(([to, name, words]) => (
                  <li key={to}>
                    <Link
                      to={to}
                      aria-current={pathname === to ? 'page' : undefined}
                      className="flex min-h-11 items-baseline gap-2 rounded-xl px-3 py-2 text-lg hover:bg-secondary focus-visible:bg-secondary aria-[current=page]:bg-secondary"
                      onClick={() => setOpen(false)}
                    >
                      <span className="font-semibold">{name}</span>
                      <span className="text-base text-quiet">{words}</span>
                    </Link>
                  </li>
                ))}
              </ul>
            </section>
          ))}
        </div>
      )}
    </div>
  );
}
