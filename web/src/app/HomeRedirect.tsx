import { useQuery } from '@tanstack/react-query';
import { Navigate, useLocation } from 'react-router';

import { newestQuery } from '@/api';
import { useSettings } from '@/hooks';
import { LoadingOrError } from '@/ui';

/** The app opens on the bench with the drink that lay there last, or on the book while there is none. */
export function HomeRedirect() {
  const { lastDrink } = useSettings();
  const { gone } = (useLocation().state ?? {}) as { gone?: number };
  const hasLast = lastDrink > 0 && lastDrink !== gone;
  const newest = useQuery({ ...newestQuery(), enabled: !hasLast });
  if (hasLast) return <Navigate replace to={`/bench/${lastDrink}`} state={{ home: true }} />;
  if (!newest.data) return <LoadingOrError error={newest.error} />;
  const drink = newest.data.find(({ has_draft }) => has_draft) ?? newest.data[0];
  return <Navigate replace to={drink ? `/bench/${drink.id}` : '/recipes'} />;
}
