import { api } from '../client';
import { REFETCHES } from './effects';

/** Clears the event plan. */
export const useForgetEvent = () => api.useMutation('delete', '/api/evening', REFETCHES);
/** Puts a drink back into the event plan. */
export const useRestoreEventDrink = () => api.useMutation('post', '/api/evening/back', REFETCHES);
/** Ticks a task or an item of the shopping list; the list shows it before it is written. */
export const useTickEvent = () => api.useMutation('put', '/api/evening/ticks', REFETCHES);
