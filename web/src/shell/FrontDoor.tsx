import { useQuery } from '@tanstack/react-query';
import { Navigate } from 'react-router';

import { drinksQuery } from '../api/queries/drinks';
import { useSettings } from '../lib/settings';
import { Waiting } from './Waiting';

/** The app opens on the bench with the drink that lay there last, or on the book while there is none. */
export function FrontDoor() {
  const { lastDrink } = useSettings();
  const { data: drinks, error } = useQuery(drinksQuery());
  if (!drinks) return <Waiting error={error} />;
  const drink = drinks.find(({ id }) => id === lastDrink) ?? drinks.find(({ has_draft }) => has_draft) ?? drinks[0];
  return <Navigate replace to={drink ? `/bench/${drink.id}` : '/book'} />;
}
