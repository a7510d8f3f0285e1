import type { Comparison, Family, Span } from '../../api/client';
import type { AxisName } from '../../lib/format';
import { stepScale } from './scales';

export type Levels = Record<AxisName, number>;

/** Room around the plane, px. */
export const MARGIN = { top: 12, right: 12, bottom: 46, left: 56 };
const FLOOR = { sugar: 0.3, acid: 0.03 };

/** What is drawn on the field besides the drink and its parent. */
export interface OnField {
  comparison: Comparison;
  family: Family | undefined;
  published: Family['published'];
  /** Where a candidate leads: as poured, and where that isn't the end, once it is brought back. */
  ghost: { name: string; path: Levels[] } | null;
  /** Where the drink stood before each of the last moves, the oldest first. */
  trail: Levels[];
  /** Pours that are told as a range. */
  ranges: Span[];
}

export type Frame = ReturnType<typeof frameOf>;

/** Scales in noticeable steps that frame all that matters, and where a drink lies in them. */
export function frameOf(on: OnField, width: number, height: number) {
  const { present, parent } = on.comparison;
  const outline = on.family?.home?.outline ?? [];
  const [sugarLow = 0, sugarHigh = 0] = present.interval80.sugar.map((level) => Math.max(level, FLOOR.sugar));
  const [acidLow = 0, acidHigh = 0] = present.interval80.acid.map((level) => Math.max(level, FLOOR.acid));
  const points = [
    present.served,
    parent.served,
    ...(on.ghost?.path ?? []),
    ...on.trail,
    ...on.ranges.flatMap(({ low, high }) => [low, high]),
  ];
  const x = stepScale(
    [
      ...outline.map(([sugar = 1]) => sugar),
      ...points.map(({ sugar }) => sugar),
      ...on.published.flatMap(({ sugar }) => sugar),
      sugarLow,
      sugarHigh,
    ],
    [MARGIN.left, width - MARGIN.right],
    FLOOR.sugar,
  );
  const y = stepScale(
    [
      ...outline.map(([, acid = 1]) => acid),
      ...points.map(({ acid }) => acid),
      ...on.published.flatMap(({ acid }) => acid),
      acidLow,
      acidHigh,
    ],
    [height - MARGIN.bottom, MARGIN.top],
    FLOOR.acid,
  );
  const at = ({ sugar, acid }: Pick<Levels, 'sugar' | 'acid'>) => ({
    x: x(Math.max(sugar, FLOOR.sugar)),
    y: y(Math.max(acid, FLOOR.acid)),
  });
  return { x, y, at, width, height, outline, doubt: { sugarLow, sugarHigh, acidLow, acidHigh } };
}
