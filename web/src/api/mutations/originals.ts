import { api } from '../client';
import { REFETCHES } from './effects';

/** Sets how well two aromas go together. */
export const useSetPairing = () => api.useMutation('put', '/api/kinship', REFETCHES);
/** Takes a pairing back to what ships. */
export const useResetPairing = () => api.useMutation('delete', '/api/kinship', REFETCHES);
/** Makes trials of pinned originals, to be tasted. */
export const useStartFlight = () => api.useMutation('post', '/api/originals/flight', REFETCHES);
