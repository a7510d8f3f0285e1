import type { Glass } from '@/api';

/** The inner radius of a glass at a height of its bowl, cm. */
export function radiusAt(glass: Glass, cm: number): number {
  for (const [index, [height = 0, radius = 0]] of glass.bowl.entries()) {
    const [below = 0, narrower = 0] = glass.bowl[index - 1] ?? [0, radius];
    if (cm <= height) {
      return height === below ? radius : narrower + ((radius - narrower) * (cm - below)) / (height - below);
    }
  }
  return glass.bowl.at(-1)?.[1] ?? 0;
}
