import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';

import { landingQuery, type Spec, useComparison, useRanges, useSteps } from '@/api';
import { useSettings } from '@/hooks';
import { withNewPour, withPour, withPours } from '@/spec';
import { remember, trailOf } from './field';
import type { PourPreview } from './benchActions';
import type { useDraft } from '@/features/draft';
import type { LeftPanelState } from './leftPanelState';
import { withActualPours, type StepTicks } from './method';

interface DraftInView {
  draft: ReturnType<typeof useDraft>;
  parent: Spec;
  panel: LeftPanelState;
  making: StepTicks['making'];
  preview: PourPreview | null;
}

/** What is looked at: the draft, or what is typed, tried on or was really poured in its place, and its figures. Only what is taken is written. */
export function useDisplayedSpec({ draft: { draft, past }, parent, panel, making, preview }: DraftInView) {
  const { spec } = draft;
  const { trying } = panel;
  const looked = useMemo(() => {
    const typed = preview ? withPour(spec, preview.pour, preview.change) : spec;
    const tried = trying ? withPours(typed, trying.pours) : typed;
    // What is left out is a wish beside what was really poured; a swap that is tried on is another drink.
    return trying && trying.out === undefined ? tried : withActualPours(tried, making);
  }, [spec, trying, making, preview]);
  const { known, refusal } = useComparison(looked, parent);
  useEffect(() => {
    if (known.comparison) remember(known.spec, known.comparison.present.served);
  }, [known]);
  // The trail grows with the figures, not before them.
  const [trail, setTrail] = useState({ draft, points: trailOf(past, draft) });
  if (trail.draft !== draft && (known.spec === looked || refusal)) setTrail({ draft, points: trailOf(past, draft) });
  return {
    ...{ known, comparison: known.comparison, refusal },
    /** Whether the figures are still those of an earlier drink. */
    isBehind: known.spec !== looked,
    trail: trail.points,
    ghost: useGhost(spec, panel),
    made: useSteps(spec),
    ranges: useRanges(looked, parent),
  };
}

/** Where the candidate under the hand leads. */
function useGhost(spec: Spec, { open, candidate, path }: LeftPanelState) {
  const { supposed } = useSettings();
  const added = open && 'add' in open && candidate ? withNewPour(spec, candidate) : null;
  const landing = useQuery({ ...landingQuery(added ?? spec, supposed), enabled: added !== null });
  const served = added ? landing.data?.served : undefined;
  return useMemo(
    () => (served && candidate ? { name: candidate.name, path: [served] } : path),
    [served, candidate, path],
  );
}
