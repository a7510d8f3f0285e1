import { api } from '../client';
import { ASKS, REFETCHES } from './effects';

/** Logs a lot: a pressing, an opened bottle. */
export const useLogLot = () => api.useMutation('post', '/api/lots', REFETCHES);
/** Changes what is known of a lot: what is left, whether it is used up. */
export const useChangeLot = () => api.useMutation('patch', '/api/lots/{lot_id}', REFETCHES);
/** Removes a lot. */
export const useRemoveLot = () => api.useMutation('delete', '/api/lots/{lot_id}', REFETCHES);
/** Saves what was measured of a lot. */
export const useSaveLotReading = () => api.useMutation('post', '/api/lots/{lot_id}/readings', REFETCHES);
/** Removes a reading of a lot. */
export const useRemoveLotReading = () =>
  api.useMutation('delete', '/api/lots/{lot_id}/readings/{reading_id}', REFETCHES);
/** Asks a device for what it shows of a lot. */
export const useReadLotDevice = () => api.useMutation('post', '/api/lots/{lot_id}/read/{device}', ASKS);
/** Asks for the acid that a titration found. */
export const useTitrate = () => api.useMutation('post', '/api/titration', ASKS);
