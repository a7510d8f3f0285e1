import type { Forecast, Spec } from '@/api';

/** What each pour brings, in the order of the pours. */
export type Contributions = (Forecast['pours'][number] | undefined)[];

const NOTHING: Contributions = [];

/** What each pour brings. Right after one was added or taken out, the last figures are still those of the drink before. */
export function contributionsOf(
  present: Forecast | undefined,
  { pours }: Spec,
  out: number | undefined,
): Contributions {
  const contributions = present?.pours ?? NOTHING;
  if (out !== undefined && contributions.length === pours.length - 1)
    return [...contributions.slice(0, out), undefined, ...contributions.slice(out)];
  return contributions.length === pours.length ? contributions : NOTHING;
}
