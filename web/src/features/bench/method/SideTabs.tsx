import type { ReactNode } from 'react';

import type { Comparison, DrinkDetail, Spec } from '@/api';
import { Tabs } from '@/ui';
import { hints, Hints } from './Hints';
import { TrialList } from '../save';

export type SideTab = 'method' | 'notes' | 'trials';

interface Props {
  drink: DrinkDetail;
  /** What is on the bench, or the trial that is looked at. */
  spec: Spec;
  comparison: Comparison | undefined;
  /** How it is made. */
  method: ReactNode;
  open: SideTab;
  onOpen: (tab: SideTab) => void;
}

/** What shares the place under the glass: how it is made, what to know, the trials. */
export function SideTabs({ drink, spec, comparison, method, open, onOpen }: Props) {
  return (
    <Tabs
      label="Method, notes and trials"
      open={open}
      onOpen={(key) => onOpen(key as SideTab)}
      tabs={[
        { key: 'method', title: 'Method', content: method },
        {
          key: 'notes',
          title: 'Notes',
          count: comparison ? hints(comparison).length : 0,
          content: <Hints drink={drink} spec={spec} comparison={comparison} />,
        },
        { key: 'trials', title: 'Trials', count: drink.trials.length, content: <TrialList drink={drink} /> },
      ]}
    />
  );
}
