import { LayoutGrid } from 'lucide-react';
import { useRef, useState } from 'react';
import { Link, useLocation } from 'react-router';

import { ROOMS } from './rooms';

/** The other rooms, behind one button. */
export function RoomsMenu() {
  const { pathname } = useLocation();
  const [open, setOpen] = useState(false);
  const box = useRef<HTMLElement>(null);
  return (
    <nav
      ref={box}
      aria-label="Other rooms"
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
      <button
        type="button"
        aria-expanded={open}
        aria-label="Rooms"
        className="btn btn-ghost min-h-11 gap-1.5 border-base-300 px-2.5"
        onClick={() => setOpen(!open)}
      >
        <LayoutGrid size={20} aria-hidden /> <span className="max-[500px]:sr-only">Rooms</span>
      </button>
      {open && (
        <ul className="panel absolute top-full left-0 z-30 mt-1 w-84 p-1.5 shadow-lg max-[500px]:fixed max-[500px]:inset-x-3 max-[500px]:top-16 max-[500px]:w-auto">
          {ROOMS.map(([to, name, words]) => (
            <li key={to}>
              <Link
                to={to}
                aria-current={pathname === to ? 'page' : undefined}
                className="flex min-h-12 items-baseline gap-2 rounded-xl px-3 py-2.5 text-lg hover:bg-secondary focus-visible:bg-secondary"
                onClick={() => setOpen(false)}
              >
                <span className="font-semibold">{name}</span>
                <span className="text-base text-quiet">{words}</span>
              </Link>
            </li>
          ))}
        </ul>
      )}
    </nav>
  );
}
