import { useEffect } from 'react';
import { Navigate, useLocation, useParams } from 'react-router';

import { useBenchData } from '@/api';
import { useRecoveredDraft } from '@/features/draft';
import { changeSettings, useDocumentTitle } from '@/hooks';
import { LoadingOrError } from '@/ui';
import { Bench } from './Bench';
import { SavedTrial } from './lazyParts';

/** A drink on the bench, or one of its trials as it was kept. */
export function BenchPage() {
  const { drinkId, trialNumber } = useParams();
  const id = Number(drinkId);
  const recovered = useRecoveredDraft(id);
  const { data, error } = useBenchData(id, recovered !== undefined);
  const isHome = (useLocation().state as { home?: boolean } | null)?.home;
  const name = data?.drink.name;
  useDocumentTitle(name);
  useEffect(() => {
    if (name) changeSettings({ lastDrink: id });
  }, [name, id]);

  // The app opens with the drink that was open last; where that is gone, another one is looked for.
  if (isHome && error?.code === 'not-found') return <Navigate replace to="/" state={{ gone: id }} />;
  if (recovered === undefined || !data) return <LoadingOrError error={error} />;
  if (trialNumber === undefined) return <Bench key={id} {...data} recovered={recovered} />;
  const trial = data.drink.trials.find(({ number }) => number === Number(trialNumber));
  if (!trial) return <LoadingOrError error={{ detail: `${data.drink.name} has no trial ${trialNumber}.` }} />;
  return <SavedTrial key={trial.id} {...data} trial={trial} />;
}
