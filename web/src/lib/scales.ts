/** Levels that are worth a line on an axis. */
const NICE = [
  0.03, 0.05, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1, 1.2, 1.4, 1.6, 2, 2.5, 3, 4, 5, 6, 7, 8, 9, 10, 12, 14,
  16, 18, 20, 25, 30, 40, 50,
];

/** Maps a level to its place on a line, px. */
export interface Scale {
  (level: number): number;
  /** The level at a place, px. */
  levelAt: (px: number) => number;
  domain: readonly [number, number];
  range: readonly [number, number];
}

type Ends = readonly [number, number];

/** Equal distances for equal differences. */
export function linearScale(domain: Ends, range: Ends): Scale {
  const pxPerUnit = (range[1] - range[0]) / (domain[1] - domain[0] || 1);
  const scale = (level: number) => range[0] + (level - domain[0]) * pxPerUnit;
  return Object.assign(scale, { levelAt: (px: number) => domain[0] + (px - range[0]) / pxPerUnit, domain, range });
}

/**
 * A scale in noticeable steps: equal distances are equally easy to taste, so it is logarithmic.
 * It frames the levels it is given, with a little room around, a factor each way.
 */
export function stepScale(levels: number[], range: Ends, floor: number, room = 1.09): Scale {
  const framed = levels.map((level) => Math.max(level, floor));
  const domain: Ends = [Math.min(...framed) / room, Math.max(...framed) * room];
  const logs = linearScale([Math.log(domain[0]), Math.log(domain[1])], range);
  const scale = (level: number) => logs(Math.log(level));
  return Object.assign(scale, { levelAt: (px: number) => Math.exp(logs.levelAt(px)), domain, range });
}

/** Ticks at round levels, never closer than `gap` px. */
export function roundTicks(scale: Scale, gap: number): number[] {
  const [low, high] = scale.domain;
  const ticks: number[] = [];
  for (const level of NICE.filter((value) => value >= low && value <= high)) {
    const last = ticks.at(-1);
    if (last === undefined || Math.abs(scale(level) - scale(last)) >= gap) ticks.push(level);
  }
  return ticks;
}
