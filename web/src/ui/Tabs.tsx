import { useId, useRef, type KeyboardEvent, type ReactNode } from 'react';

export interface Tab {
  key: string;
  title: string;
  /** How many things wait in it. */
  count?: number;
  content: ReactNode;
}

interface Props {
  label: string;
  tabs: Tab[];
  open: string;
  onOpen: (key: string) => void;
}

/** Panels that share a place; arrow keys go from one to the next. */
export function Tabs({ label, tabs, open, onOpen }: Props) {
  const id = useId();
  const list = useRef<HTMLDivElement>(null);
  const chosen = tabs.find(({ key }) => key === open) ?? tabs[0];
  const press = (event: KeyboardEvent) => {
    const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
    if (by === undefined || !chosen) return;
    const next = tabs[(tabs.indexOf(chosen) + by + tabs.length) % tabs.length];
    if (!next) return;
    onOpen(next.key);
    list.current?.querySelector<HTMLElement>(`[data-tab="${next.key}"]`)?.focus();
    event.preventDefault();
  };
  return (
    <div className="flex min-h-0 grow flex-col">
      <div
        ref={list}
        role="tablist"
        aria-label={label}
        className="flex shrink-0 border-b border-base-300 px-1.5"
        onKeyDown={press}
      >
        {tabs.map(({ key, title, count }) => (
          <button
            key={key}
            type="button"
            role="tab"
            id={`${id}-${key}`}
            data-tab={key}
            aria-selected={key === chosen?.key}
            aria-controls={`${id}-panel`}
            tabIndex={key === chosen?.key ? 0 : -1}
            className={`min-h-11 cursor-pointer border-b-3 px-2.5 text-base ${key === chosen?.key ? 'border-base-content font-semibold' : 'border-transparent text-quiet'}`}
            onClick={() => onOpen(key)}
          >
            {title}{' '}
            {count !== undefined && count > 0 && <span className="font-figure text-sm font-normal">{count}</span>}
          </button>
        ))}
      </div>
      <div
        role="tabpanel"
        id={`${id}-panel`}
        aria-labelledby={chosen && `${id}-${chosen.key}`}
        className="flex min-h-0 grow flex-col"
      >
        {chosen?.content}
      </div>
    </div>
  );
}
