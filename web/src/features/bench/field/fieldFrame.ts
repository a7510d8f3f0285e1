import type { Comparison, Family, Rules, Span } from '@/api';
import { type AxisName, stepScale } from '@/lib';

export type Levels = Record<AxisName, number>;

/** Room around the plane, px. */
export const MARGIN = { top: 12, right: 12, bottom: 46, left: 56 };

/** What is drawn on the field besides the drink and its parent. */
export interface OnField {
  comparison: Comparison;
  family: Family | undefined;
  /** The home that the drink is held against. */
  home: Family['homes'][number] | undefined;
  published: Family['published'];
  /** Where a candidate leads: as poured, and where that isn't the end, once it is brought back. */
  ghost: { name: string; path: Levels[] } | null;
  /** Where the drink stood before each of the last moves, the oldest first. */
  trail: Levels[];
  /** Pours that are told as a range. */
  ranges: Span[];
  /** The ruler of each axis. */
  axes: Rules['axes'];
}

export type Frame = ReturnType<typeof frameOf>;

/** Scales in noticeable steps that frame all that matters, and where a drink lies in them. */
export function frameOf(on: OnField, width: number, height: number) {
  const { present, parent } = on.comparison;
  const outline = on.home?.outline ?? [];
  const floor = { sugar: on.axes.sugar?.floor ?? 0, acid: on.axes.acid?.floor ?? 0 };
  const told = (level: number, axis: 'sugar' | 'acid') => Math.max(level, floor[axis]);
  const [sugarLow = 0, sugarHigh = 0] = present.interval80.sugar.map((level) => told(level, 'sugar'));
  const [acidLow = 0, acidHigh = 0] = present.interval80.acid.map((level) => told(level, 'acid'));
  const ends = on.ranges.flatMap(({ low, high }) => [low, high]);
  const points = [present.served, parent.served, ...(on.ghost?.path ?? []), ...on.trail, ...ends];
  const reach = {
    sugar: [sugarLow, sugarHigh, ...on.published.flatMap(({ sugar }) => sugar), ...outline.map(([sugar = 1]) => sugar)],
    acid: [acidLow, acidHigh, ...on.published.flatMap(({ acid }) => acid), ...outline.map(([, acid = 1]) => acid)],
  };
  const scale = (axis: 'sugar' | 'acid', range: [number, number]) =>
    stepScale([...reach[axis], ...points.map((point) => point[axis])], range, floor[axis]);
  const x = scale('sugar', [MARGIN.left, width - MARGIN.right]);
  const y = scale('acid', [height - MARGIN.bottom, MARGIN.top]);
  const at = ({ sugar, acid }: Pick<Levels, 'sugar' | 'acid'>) => ({
    x: x(told(sugar, 'sugar')),
    y: y(told(acid, 'acid')),
  });
  return { x, y, at, width, height, outline, doubt: { sugarLow, sugarHigh, acidLow, acidHigh } };
}
