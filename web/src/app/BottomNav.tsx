import { Ellipsis } from 'lucide-react';
import { useRef, useState, type ReactNode } from 'react';
import { Link, useLocation } from 'react-router';

import { BOTTOM_NAV, sectionOf, SECTIONS } from '@/ui';

/** On a phone: four places at the thumb, the others and the switches behind More. */
export function BottomNav({ switches }: { switches: ReactNode }) {
  const { pathname } = useLocation();
  const here = sectionOf(pathname);
  const [open, setOpen] = useState(false);
  const box = useRef<HTMLDivElement>(null);
  const items = SECTIONS.map((place) => (
    <li key={place.name} className="contents">
      <Link
        to={place.to}
        aria-current={place === here ? 'page' : undefined}
        className={THUMB_ITEM}
        onClick={() => setOpen(false)}
      >
        <place.icon size={22} aria-hidden /> {place.name}
      </Link>
    </li>
  ));
  const near = items.filter((_, at) => BOTTOM_NAV.includes(SECTIONS[at]?.name ?? ''));
  return (
    <div
      ref={box}
      className="fixed inset-x-0 bottom-0 z-40 border-t border-base-300 bg-base-100 px-1 pt-1 pb-[max(0.25rem,env(safe-area-inset-bottom))] print:hidden"
      onBlur={(event) => {
        if (!event.currentTarget.contains(event.relatedTarget) && event.relatedTarget) setOpen(false);
      }}
      onKeyDown={(event) => {
        if (event.key !== 'Escape' || !open) return;
        event.stopPropagation();
        setOpen(false);
        box.current?.querySelector<HTMLElement>('[aria-expanded]')?.focus();
      }}
    >
      {open && (
        <div className="panel absolute inset-x-2 bottom-full mb-1 grid grid-cols-4 gap-1 p-2 shadow-lg">
          <ul aria-label="Other places" className="contents">
            {items.filter((item) => !near.includes(item))}
          </ul>
          {switches}
        </div>
      )}
      <nav aria-label="Places">
        <ul className="grid grid-cols-5">
          {near}
          <li className="contents">
            <button type="button" aria-expanded={open} className={THUMB_ITEM} onClick={() => setOpen(!open)}>
              <Ellipsis size={22} aria-hidden /> More
            </button>
          </li>
        </ul>
      </nav>
    </div>
  );
}

const THUMB_ITEM =
  'flex h-14 min-w-0 cursor-pointer flex-col items-center justify-center gap-0.5 rounded-xl text-sm aria-[current=page]:bg-secondary aria-[current=page]:font-semibold';
