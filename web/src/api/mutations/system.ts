import { useQueryClient } from '@tanstack/react-query';

import { api } from '../client';
import { REFETCHES } from './effects';

/** Copies the data file now. */
export const useBackUp = () => api.useMutation('post', '/api/copies', REFETCHES);
/** Forgets a paired device. */
export const useForgetDevice = () => api.useMutation('delete', '/api/sharing/devices/{device_id}', REFETCHES);
/** Lets a device try its code again. */
export const useForgetTries = () => api.useMutation('post', '/api/sharing/tries/forget', REFETCHES);
/** Puts the demo back. */
export function useResetDemo() {
  const queryClient = useQueryClient();
  return api.useMutation('post', '/api/demo/reset', { ...REFETCHES, onSuccess: () => queryClient.resetQueries() });
}
