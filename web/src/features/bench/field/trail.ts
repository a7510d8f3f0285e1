import type { Spec } from '@/api';
import type { Draft } from '@/features/draft';
import type { Levels } from './fieldFrame';

const LONGEST = 12;

/** Where the drinks of this window stood, as far as they were looked at. */
const weakMap = new WeakMap<Spec, Levels>();

export function remember(spec: Spec, served: Levels): void {
  weakMap.set(spec, served);
}

/** Where the drink stood before each of the last moves, the oldest first; `back` is how many steps of undo lead there. */
export function trailOf(past: readonly Draft[], present: Draft): { back: number; served: Levels }[] {
  const last = past.slice(-LONGEST);
  const after = [...last.slice(1), present].map(({ spec }) => weakMap.get(spec));
  return last.flatMap((draft, index) => {
    const served = weakMap.get(draft.spec);
    // A lock, another parent or another glass is a step of undo too, and no move.
    return served && !sameLevels(served, after[index]) ? [{ back: last.length - index, served }] : [];
  });
}

function sameLevels(one: Levels, other: Levels | undefined): boolean {
  return other !== undefined && one.sugar === other.sugar && one.acid === other.acid && one.abv === other.abv;
}
