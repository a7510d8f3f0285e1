import { api } from '../client';
import { useShowDrink } from '../queries/drinks';
import { ASKS, REFETCHES } from './effects';

/** Creates a drink with its first trial. */
export const useCreateDrink = () => api.useMutation('post', '/api/drinks', { ...REFETCHES, onSuccess: useShowDrink() });
/** Renames a drink. */
export const useRenameDrink = () =>
  api.useMutation('patch', '/api/drinks/{drink_id}', { ...REFETCHES, onSuccess: useShowDrink() });
/** Saves what is to be remembered of a drink. */
export const useSaveDrinkNotes = () =>
  api.useMutation('put', '/api/drinks/{drink_id}/notes', { ...REFETCHES, onSuccess: useShowDrink() });
/** Saves what a drink is for. */
export const useSaveBrief = () => api.useMutation('put', '/api/drinks/{drink_id}/brief', REFETCHES);
/** Sets how many of a drink are expected, and its price. */
export const useSetServes = () => api.useMutation('put', '/api/drinks/{drink_id}/tonight', REFETCHES);
/** Sets the sign that stands before prices. */
export const useSetCurrency = () => api.useMutation('put', '/api/currency', REFETCHES);
/** Asks what a fix makes of a drink. */
export const useApplyFix = () => api.useMutation('post', '/api/mend', ASKS);
/** Asks for a drink scaled to its glass. */
export const useScaleToGlass = () => api.useMutation('post', '/api/size', ASKS);
