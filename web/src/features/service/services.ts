import type { BatchEntry, Service } from '../../api/client';

/** How a batch is served, as it is said, and what that means for the bottle. */
export const SERVICES: readonly (readonly [Service, string, string])[] = [
  ['ice', 'Over ice', 'some of its water is in the bottle, the ice gives the rest'],
  ['chilled', 'Up, from the fridge', 'all its water is in the bottle'],
  ['freezer', 'Up, from the freezer', 'all its water is in the bottle, if it stays liquid'],
  ['shaken', 'Shaken to order', 'no water in the bottle, the shaker gives it'],
  ['bubbles', 'With bubbles', 'in a vessel that is rated for pressure'],
];

export const serviceName = (service: string): string =>
  SERVICES.find(([each]) => each === service)?.[1] ?? 'Made singly';

/** Containers that are near at hand, in ml. */
export const CONTAINERS = [500, 700, 750, 1000, 1500, 2000, 5000] as const;

/** Where a bottle waits until it is poured. */
export type Cold = NonNullable<BatchEntry['cold']>;

export const COLDS: readonly (readonly [Cold, string])[] = [
  ['fridge', 'fridge'],
  ['ice bath', 'ice water'],
  ['freezer', 'freezer'],
  ['room', 'shelf'],
];
