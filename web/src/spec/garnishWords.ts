import type { Garnish, Spec } from '@/api';

type GarnishEntry = Spec['serve']['garnish'][number];

/** A garnish by its parts; words alone are what it is. */
export function garnishOf(told: GarnishEntry): Garnish {
  return typeof told === 'string' ? { what: told, why: '', how: '', instead: '' } : told;
}

/** "Lime wheel, on the edge": what, and how it is put there. */
export function garnishWords(told: GarnishEntry): string {
  const { what, how } = garnishOf(told);
  return how ? `${what}, ${how}` : what;
}
