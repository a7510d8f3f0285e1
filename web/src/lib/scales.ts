import { scaleLog } from 'd3-scale';

/** Levels that are worth a line on an axis. */
const NICE = [
  0.03, 0.05, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1, 1.2, 1.4, 1.6, 2, 2.5, 3, 4, 5, 6, 7, 8, 9, 10, 12, 14,
  16, 18, 20, 25, 30, 40, 50,
];

/**
 * A scale in noticeable steps: equal distances are equally easy to taste, so it is logarithmic.
 * It frames the levels it is given, with a little room around, a factor each way.
 */
export function stepScale(levels: number[], range: [number, number], floor: number, room = 1.09) {
  const told = levels.map((level) => Math.max(level, floor));
  return scaleLog([Math.min(...told) / room, Math.max(...told) * room], range);
}

/** Ticks at round levels, never closer than `gap` px. */
export function roundTicks(scale: ReturnType<typeof stepScale>, gap: number): number[] {
  const [low = 0, high = 0] = scale.domain();
  const ticks: number[] = [];
  for (const level of NICE.filter((value) => value >= low && value <= high)) {
    const last = ticks.at(-1);
    if (last === undefined || Math.abs(scale(level) - scale(last)) >= gap) ticks.push(level);
  }
  return ticks;
}
