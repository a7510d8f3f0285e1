import { memo, useState } from 'react';

import type { Comparison, Figure, Spec } from '@/api';
import type { AxisName } from '@/lib';
import { AxisSentence } from './AxisSentence';
import { besidesTheAxes, Headline } from './Headline';
import { WhyDialog } from '../lazyParts';

interface Props {
  spec: Spec;
  comparison: Comparison | undefined;
  /** What it is held against; undefined where there is no parent. */
  parentName?: string | undefined;
  /** What a candidate under the hand would make of the drink. */
  landed?: Record<AxisName, number> | undefined;
}

/** The summary and a line for each figure; how certain they are and what they come from is one press deeper. */
export const FigureSentences = memo(function Sentences({ spec, comparison, parentName, landed }: Props) {
  const [explaining, setExplaining] = useState<Figure | null>(null);
  if (!comparison) return <p className="p-4 text-quiet">Working out the balance…</p>;
  const nothingMoved = comparison.unseen.length === 0 && comparison.axes.every(({ direction }) => direction === 'same');
  return (
    <>
      {parentName && (
        <Headline
          comparison={comparison}
          nothingMoved={nothingMoved}
          homeName={comparison.present.place ? spec.family : undefined}
        />
      )}
      <div
        className="grid grid-cols-3 divide-x divide-base-300 min-[1200px]:grid-cols-1 min-[1200px]:divide-x-0 min-[1200px]:divide-y"
        aria-live="polite"
      >
        {comparison.axes.map((report) => (
          <AxisSentence
            key={report.axis}
            axis={report.axis as AxisName}
            report={report}
            onWhy={() => setExplaining(report.axis as Figure)}
            parentName={parentName}
            landing={landed ? landed[report.axis as AxisName] : null}
          />
        ))}
      </div>
      {parentName && <PhoneSummary comparison={comparison} />}
      {explaining && (
        <WhyDialog
          figure={explaining}
          spec={spec}
          comparison={comparison}
          parentName={parentName}
          onClose={() => setExplaining(null)}
        />
      )}
    </>
  );
});

/** What no axis shows, where there is no room for the headline. */
function PhoneSummary({ comparison }: { comparison: Comparison }) {
  const said = besidesTheAxes(comparison);
  if (said.length === 0) return null;
  return (
    <p className="border-t border-base-300 px-3 py-1.5 text-base leading-tight min-[760px]:hidden">{said.join(' ')}</p>
  );
}
