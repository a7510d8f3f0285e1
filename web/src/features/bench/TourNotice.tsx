import { useQuery } from '@tanstack/react-query';

import { healthQuery } from '@/api';
import { useSettings } from '@/hooks';
import { Tour } from './pours';
import type { Bench } from './useBench';

/** The tour of the demo, where the drink is the riff that it begins with and it wasn't seen before. */
export function TourNotice({ bench: { drink, draft, look, hand } }: { bench: Bench }) {
  const { tourSeen } = useSettings();
  const { data: health } = useQuery(healthQuery());
  const first = drink.draft && draft.draft.parentTrialId === drink.trials[0]?.id;
  if (!health?.demo || tourSeen || drink.origin !== 'demo' || !first) return null;
  const sharper = look.comparison?.axes.some(
    ({ axis, direction, tasted }) => axis === 'acid' && direction === 'more' && tasted,
  );
  return <Tour at={sharper ? 'sharper' : 'brought back'} onBringBack={() => hand.bring('back')} />;
}
