import { OctagonAlert, TriangleAlert } from 'lucide-react';
import { memo } from 'react';

import type { Finding } from '@/api';
import { useWithVolumes } from '@/hooks';
import { FixButtons } from './FixButtons';

/** What goes wrong in this drink, beside its pours, with what mends it. */
export const Problems = memo(function WhatToMend({ findings }: { findings: Finding[] }) {
  const inUnit = useWithVolumes();
  const wrong = findings.filter(({ severity }) => severity !== 'info');
  if (wrong.length === 0) return null;
  return (
    <ul className="mx-2 mb-2 flex max-h-[55%] shrink-0 flex-col gap-2 overflow-y-auto" aria-label="Problems">
      {wrong.map((finding) => {
        const grave = finding.severity === 'error';
        const Icon = grave ? OctagonAlert : TriangleAlert;
        return (
          <li
            key={`${finding.code} ${finding.pour ?? ''}`}
            className={`rounded-xl border-2 p-2.5 leading-snug ${grave ? 'border-error' : 'border-warning'}`}
          >
            <p className={`flex gap-2 text-base font-semibold ${grave ? 'text-error' : 'text-warning'}`}>
              <Icon size={20} aria-label={finding.severity} className="mt-0.5 shrink-0" /> {inUnit(finding.message)}
            </p>
            <FixButtons finding={finding} />
          </li>
        );
      })}
    </ul>
  );
});
