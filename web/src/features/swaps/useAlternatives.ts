import { useState } from 'react';

import type { Alternative, Rebalanced } from '@/api';
import type { AxisName } from '@/lib';

const NONE: Alternative[] = [];

/** The ways of an answer and the one in the hand: the first, until another is chosen of this answer. */
export function useAlternatives(found: Rebalanced | undefined) {
  const [hand, setHand] = useState<{ of: Rebalanced; index: number } | null>(null);
  const ways = found?.ways ?? NONE;
  const chosen = hand && hand.of === found ? hand.index : 0;
  /** Takes another in hand, as far as there are any; tells which it is. */
  const choose = (index: number): number => {
    const to = Math.max(0, Math.min(index, ways.length - 1));
    if (found) setHand({ of: found, index: to });
    return to;
  };
  return { ways, way: ways[chosen], chosen, choose };
}

/** Where a way lands on the field; nowhere while one of the axes isn't aimed at. */
export function landingPoint({ left }: Alternative): Record<AxisName, number> | undefined {
  const at = Object.fromEntries(left.map(({ axis, value }) => [axis, value])) as Partial<Record<AxisName, number>>;
  const { sugar, acid, abv } = at;
  return sugar === undefined || acid === undefined || abv === undefined ? undefined : { sugar, acid, abv };
}
