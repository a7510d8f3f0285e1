import { api } from '../client';
import type { Spec } from '../types';

/** What ships with the app, or changes only by a write of this window, which asks for it anew. */
const LASTS = { staleTime: Infinity };

/** Constants of the trade and of the model that the screens draw with. */
export const rulesQuery = () => api.queryOptions('get', '/api/rules', {}, LASTS);
export const familiesQuery = () => api.queryOptions('get', '/api/families', {}, LASTS);
/** One family, with its forms, schools and typical ranges. */
export const familyQuery = (slug: string) =>
  api.queryOptions('get', '/api/families/{slug}', { params: { path: { slug: slug as Spec['family'] } } }, LASTS);
export const glassesQuery = () => api.queryOptions('get', '/api/glasses', {}, LASTS);
export const aromasQuery = () => api.queryOptions('get', '/api/aromas', {}, LASTS);
export const devicesQuery = () => api.queryOptions('get', '/api/devices', {}, LASTS);
export const sweetnessQuery = () => api.queryOptions('get', '/api/sweetness-classes', {}, LASTS);
