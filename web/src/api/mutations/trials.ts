import { api } from '../client';
import { useShowDrink } from '../queries/drinks';
import { ASKS, REFETCHES } from './effects';

/** Saves a trial as made. */
export const useCreateTrial = () =>
  api.useMutation('post', '/api/drinks/{drink_id}/trials', { ...REFETCHES, onSuccess: useShowDrink() });
/** Makes a trial the one that the drink is compared with. */
export const useSetReference = () =>
  api.useMutation('put', '/api/drinks/{drink_id}/trials/{trial_id}/reference', {
    ...REFETCHES,
    onSuccess: useShowDrink(),
  });
/** Marks a trial as finished, on the menu or put aside. */
export const useMarkTrial = () => api.useMutation('put', '/api/drinks/{drink_id}/trials/{trial_id}/mark', REFETCHES);
/** Adds somebody’s spec of a drink. */
export const useAddSpec = () => api.useMutation('post', '/api/drinks/{drink_id}/spec-cloud', REFETCHES);
/** Removes somebody’s spec of a drink. */
export const useRemoveSpec = () => api.useMutation('delete', '/api/drinks/{drink_id}/spec-cloud/{spec_id}', REFETCHES);
/** Saves the tasting note of one glass. */
export const useSaveTasting = () => api.useMutation('post', '/api/tastings', REFETCHES);
/** Removes a tasting note. */
export const useRemoveTasting = () => api.useMutation('delete', '/api/tastings/{tasting_id}', REFETCHES);
/** Saves what was measured of a trial. */
export const useSaveTrialReading = () =>
  api.useMutation('post', '/api/drinks/{drink_id}/trials/{trial_id}/readings', REFETCHES);
/** Removes a reading of a trial. */
export const useRemoveTrialReading = () =>
  api.useMutation('delete', '/api/drinks/{drink_id}/readings/{reading_id}', REFETCHES);
/** Asks a device for what it shows. */
export const useReadDevice = () => api.useMutation('post', '/api/devices/{device}/read', ASKS);
/** Forgets what was learnt of a palate. */
export const useResetPalate = () => api.useMutation('delete', '/api/palate', REFETCHES);
