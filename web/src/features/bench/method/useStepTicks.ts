import { useMemo } from 'react';

import type { PourEntry, Spec } from '@/api';
import { usePersisted } from '@/hooks';
import { hasKeys } from '@/lib';
import { lockKey } from '@/spec';

/** How far the making has come: steps that are ticked, and what was really poured, by `lockKey`. */
export interface MakingProgress {
  ticked: string[];
  poured: Record<string, Pick<PourEntry, 'amount' | 'unit'>>;
}

const NOTHING: MakingProgress = { ticked: [], poured: {} };

/** The ticks of a drink at the bench; they outlast the window, as the draft does. */
export function useStepTicks(drinkId: number) {
  const [making, setMaking] = usePersisted(`oenomel.making.${drinkId}`, NOTHING, progressIn);
  return useMemo(
    () => ({
      making,
      tick: (key: string, done: boolean) =>
        setMaking(({ ticked, poured }) => ({
          ticked: done ? [...ticked, key] : ticked.filter((text) => text !== key),
          poured,
        })),
      pour: (entry: PourEntry, really: Pick<PourEntry, 'amount' | 'unit'>) =>
        setMaking((now) => ({ ...now, poured: { ...now.poured, [lockKey(entry)]: really } })),
      forgetPoured: () => setMaking((now) => ({ ...now, poured: {} })),
      /** It is made: the ticks go, what was really poured waits to be saved with the trial. */
      made: () => setMaking((now) => ({ ...now, ticked: [] })),
      clear: () => setMaking(NOTHING),
    }),
    [making, setMaking],
  );
}

export type StepTicks = ReturnType<typeof useStepTicks>;

/** The spec with what was really poured in place of what was written. */
export function withActualPours(spec: Spec, { poured }: MakingProgress): Spec {
  if (Object.keys(poured).length === 0) return spec;
  const pours = spec.pours.map((entry) => {
    const really = poured[lockKey(entry)];
    return really ? { ...entry, ...really, relative: null, said: null } : entry;
  });
  return { ...spec, pours };
}

function progressIn(kept: unknown): MakingProgress | null {
  if (!hasKeys(kept, { ticked: 'object', poured: 'object' })) return null;
  const { ticked, poured } = kept as MakingProgress;
  return Array.isArray(ticked) && Object.values(poured).every((item) => hasKeys(item, { unit: 'string' }))
    ? { ticked, poured }
    : null;
}
