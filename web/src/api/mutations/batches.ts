import { api } from '../client';
import { ASKS, REFETCHES } from './effects';

/** Saves a batch as made. */
export const useSaveBatch = () => api.useMutation('post', '/api/batches', REFETCHES);
/** Changes what is known of a batch. */
export const useChangeBatch = () => api.useMutation('patch', '/api/batches/{batch_id}', REFETCHES);
/** Records what was poured out of a batch. */
export const useServeBatch = () => api.useMutation('post', '/api/batches/{batch_id}/served', REFETCHES);
/** Asks what corrects a batch that tastes off. */
export const useCorrectBatch = () => api.useMutation('post', '/api/batches/{batch_id}/corrections', ASKS);
/** Saves what was measured of a batch. */
export const useSaveBatchReading = () => api.useMutation('post', '/api/batches/{batch_id}/readings', REFETCHES);
/** Records what was added to a batch. */
export const useAddToBatch = () => api.useMutation('post', '/api/batches/{batch_id}/additions', REFETCHES);
