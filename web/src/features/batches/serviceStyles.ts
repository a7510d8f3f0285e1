import type { BatchEntry, Service } from '@/api';

/** How a batch is served, as it is said, and what that means for the bottle. */
export const SERVICE_STYLES: readonly (readonly [Service, string, string])[] = [
  ['ice', 'Over ice', 'partly diluted, the ice adds the rest'],
  ['chilled', 'Up, from the fridge', 'fully diluted'],
  ['freezer', 'Up, from the freezer', 'fully diluted, if it stays liquid'],
  ['shaken', 'Shaken to order', 'not diluted, the shaker does that'],
  ['bubbles', 'With bubbles', 'only in containers rated for pressure'],
];

export const serviceName = (service: string): string =>
  SERVICE_STYLES.find(([option]) => option === service)?.[1] ?? 'Made to order';

/** Containers that are near at hand, in ml. */
export const CONTAINERS = [500, 700, 750, 1000, 1500, 2000, 5000] as const;

/** Where a bottle waits until it is poured. */
export type ColdStorage = NonNullable<BatchEntry['cold']>;

export const COLD_STORAGE: readonly (readonly [ColdStorage, string])[] = [
  ['fridge', 'fridge'],
  ['ice bath', 'ice water'],
  ['freezer', 'freezer'],
  ['room', 'room temperature'],
];
