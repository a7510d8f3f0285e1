import { useQuery } from '@tanstack/react-query';
import { Navigate } from 'react-router';

import { drinkQuery, newestQuery } from '@/api';
import { useSettings } from '@/hooks';
import { LoadingOrError } from '@/ui';

/** The app opens on the bench with the drink that lay there last, or on the book while there is none. */
export function HomeRedirect() {
  const { lastDrink } = useSettings();
  const last = useQuery({ ...drinkQuery(lastDrink), enabled: lastDrink > 0 });
  const isGone = lastDrink === 0 || last.error?.code === 'not-found';
  const newest = useQuery({ ...newestQuery(), enabled: isGone });
  if (last.data) return <Navigate replace to={`/bench/${lastDrink}`} />;
  if (!newest.data) return <LoadingOrError error={(isGone ? null : last.error) ?? newest.error} />;
  const drink = newest.data.find(({ has_draft }) => has_draft) ?? newest.data[0];
  return <Navigate replace to={drink ? `/bench/${drink.id}` : '/recipes'} />;
}
