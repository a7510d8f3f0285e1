import type { Forecast, Spec } from '../../../api/client';

/** What each pour brings, in the order of the pours. */
export type Brings = (Forecast['pours'][number] | undefined)[];

const NOTHING: Brings = [];

/** What each pour brings. Right after one was added or taken out, the last figures are still those of the drink before. */
export function whatEachBrings(present: Forecast | undefined, { pours }: Spec, out: number | undefined): Brings {
  const told = present?.pours ?? NOTHING;
  if (out !== undefined && told.length === pours.length - 1)
    return [...told.slice(0, out), undefined, ...told.slice(out)];
  return told.length === pours.length ? told : NOTHING;
}
