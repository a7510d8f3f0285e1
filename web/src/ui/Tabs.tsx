import { Tabs as BaseTabs } from '@base-ui/react/tabs';
import type { ReactNode } from 'react';

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
  return (
    <BaseTabs.Root value={open} onValueChange={onOpen} className="flex min-h-0 grow flex-col">
      <BaseTabs.List activateOnFocus aria-label={label} className="flex shrink-0 border-b border-base-300 px-1.5">
        {tabs.map(({ key, title, count = 0 }) => (
          <BaseTabs.Tab
            key={key}
            value={key}
            className="min-h-11 cursor-pointer border-b-3 border-transparent px-2.5 text-base text-quiet aria-selected:border-base-content aria-selected:font-semibold aria-selected:text-base-content"
          >
            {title} {count > 0 && <span className="font-figure text-sm font-normal">{count}</span>}
          </BaseTabs.Tab>
        ))}
      </BaseTabs.List>
      {tabs.map(({ key, content }) => (
        <BaseTabs.Panel key={key} value={key} className="flex min-h-0 grow flex-col">
          {content}
        </BaseTabs.Panel>
      ))}
    </BaseTabs.Root>
  );
}
