import { memo } from 'react';

import type { Finding } from '../../api/client';
import { Fold } from '../../ui/Fold';
import { Mends, type OnMend } from './Mends';

interface Props {
  findings: Finding[];
  /** Absent where a kept trial is looked at. */
  onMend: OnMend | undefined;
}

/** Cautions and hints that are no fault of the drink: folded, and counted. */
export const GoodToKnow = memo(function GoodToKnow({ findings, onMend }: Props) {
  const notes = findings.filter(({ severity }) => severity === 'info');
  if (notes.length === 0) return null;
  return (
    <Fold title="Good to know" count={notes.length}>
      <ul className="flex flex-col gap-2">
        {notes.map((finding) => (
          <li
            key={`${finding.code} ${finding.pour ?? ''}`}
            className="border-l-2 border-base-300 pl-2 text-base leading-snug"
          >
            {finding.message}
            <Mends finding={finding} onMend={onMend} />
          </li>
        ))}
      </ul>
    </Fold>
  );
});
