import { api } from '../client';
import { ASKS, REFETCHES } from './effects';

/** Creates a preparation. */
export const useCreatePreparation = () => api.useMutation('post', '/api/preparations', REFETCHES);
/** Saves a preparation over the one that was read. */
export const useSavePreparationAs = () => api.useMutation('put', '/api/preparations/{slug}', REFETCHES);
/** Records a making of a preparation, which becomes a lot. */
export const useRecordMaking = () => api.useMutation('post', '/api/preparations/{slug}/makings', REFETCHES);
/** Asks for a preparation scaled to what is there. */
export const useScalePreparation = () => api.useMutation('post', '/api/prepare/scaled', ASKS);
/** Asks what brings a liquid to a °Bx. */
export const useAdjustBrix = () => api.useMutation('post', '/api/adjust/brix', ASKS);
/** Asks what brings a juice to another one’s acid. */
export const useAdjustAcid = () => api.useMutation('post', '/api/adjust/acid', ASKS);
/** Sets what something of the kitchen costs. */
export const useSetGoodsPrice = () => api.useMutation('put', '/api/goods/{slug}/price', REFETCHES);
