import { useCallback, useEffect, useMemo, useState } from 'react';

import type { PourEntry, Spec } from '@/api';
import { hasKeys, readStored, writeStored } from '@/lib';
import { lockKey } from '@/spec';

/** How far the making has come: steps that are ticked, and what was really poured, by `lockKey`. */
export interface MakingProgress {
  ticked: string[];
  poured: Record<string, Pick<PourEntry, 'amount' | 'unit'>>;
}

const NOTHING: MakingProgress = { ticked: [], poured: {} };

/** The ticks of a drink at the bench; they outlast the window, as the draft does. */
export function useStepTicks(drinkId: number) {
  const place = `oenomel.making.${drinkId}`;
  const [making, setMaking] = useState<MakingProgress>(() => read(place));
  useEffect(() => {
    // Without storage the ticks last as long as the window.
    writeStored(place, making === NOTHING ? null : making);
  }, [making, place]);

  const tick = useCallback((key: string, done: boolean) => {
    setMaking((now) => ({
      ...now,
      ticked: done ? [...now.ticked, key] : now.ticked.filter((text) => text !== key),
    }));
  }, []);
  const pour = useCallback((entry: PourEntry, really: Pick<PourEntry, 'amount' | 'unit'>) => {
    setMaking((now) => ({ ...now, poured: { ...now.poured, [lockKey(entry)]: really } }));
  }, []);
  const forgetPoured = useCallback(() => setMaking((now) => ({ ...now, poured: {} })), []);
  /** It is made: the ticks go, what was really poured waits to be kept with the trial. */
  const made = useCallback(() => setMaking((now) => ({ ...now, ticked: [] })), []);
  const clear = useCallback(() => setMaking(NOTHING), []);
  return useMemo(
    () => ({ making, tick, pour, forgetPoured, made, clear }),
    [making, tick, pour, forgetPoured, made, clear],
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

const isMaking = (kept: unknown): kept is MakingProgress =>
  hasKeys(kept, { ticked: 'object', poured: 'object' }) &&
  Array.isArray((kept as MakingProgress).ticked) &&
  Object.values((kept as MakingProgress).poured).every((item) => hasKeys(item, { unit: 'string' }));

function read(place: string): MakingProgress {
  return readStored(place, isMaking) ?? NOTHING;
}
