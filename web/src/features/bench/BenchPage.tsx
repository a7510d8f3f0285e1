import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { useParams } from 'react-router';

import { drinkQuery, familiesQuery, larderQuery } from '@/api';
import { changeSettings, useDocumentTitle } from '@/hooks';
import { LoadingOrError } from '@/ui';
import { Bench } from './Bench';
import { useRecoveredDraft } from '@/features/draft';
import { SavedTrial } from './SavedTrial';

/** A drink on the bench, or one of its trials as it was kept. */
export function BenchPage() {
  const { drinkId, trialNumber } = useParams();
  const id = Number(drinkId);
  const recovered = useRecoveredDraft(id);
  const drink = useQuery({ ...drinkQuery(id), enabled: recovered !== undefined });
  const families = useQuery(familiesQuery());
  const larder = useQuery(larderQuery());
  const name = drink.data?.name;
  useDocumentTitle(name);
  useEffect(() => {
    if (name) changeSettings({ lastDrink: id });
  }, [name, id]);

  // A draft from the last visit may be older than what another window saved since: wait for the fresh one.
  const stale = drink.isFetching && !drink.isFetchedAfterMount;
  if (recovered === undefined || !drink.data || !families.data || !larder.data || stale) {
    return <LoadingOrError error={drink.error ?? families.error ?? larder.error} />;
  }
  const family = families.data.find(({ slug }) => slug === drink.data.family);
  if (trialNumber === undefined) {
    return <Bench key={id} drink={drink.data} family={family} larder={larder.data} recovered={recovered} />;
  }
  const trial = drink.data.trials.find(({ number }) => number === Number(trialNumber));
  if (!trial) return <LoadingOrError error={{ detail: `${drink.data.name} has no trial ${trialNumber}.` }} />;
  return <SavedTrial key={trial.id} drink={drink.data} trial={trial} family={family} larder={larder.data} />;
}
