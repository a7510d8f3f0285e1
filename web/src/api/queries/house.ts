import { keepPreviousData } from '@tanstack/react-query';

import { api, type Slot, type Spec } from '../client';

/** What ships with the app, or changes only by a write of this window, which asks for it anew. */
const LASTS = { staleTime: Infinity };

export const healthQuery = () => api.queryOptions('get', '/api/health', {}, LASTS);
/** Constants of the trade and of the model that the screens draw with. */
export const rulesQuery = () => api.queryOptions('get', '/api/rules', {}, LASTS);
export const familiesQuery = () => api.queryOptions('get', '/api/families', {}, LASTS);
export const glassesQuery = () => api.queryOptions('get', '/api/glasses', {}, LASTS);
export const aromasQuery = () => api.queryOptions('get', '/api/aromas', {}, LASTS);
export const devicesQuery = () => api.queryOptions('get', '/api/devices', {}, LASTS);
export const sweetnessQuery = () => api.queryOptions('get', '/api/sweetness-classes', {}, LASTS);

const LARDER = { staleTime: 60_000, placeholderData: keepPreviousData };

/** The whole larder. */
export const larderQuery = () => api.queryOptions('get', '/api/ingredients', {}, LARDER);

/** Ingredients in which every typed word stands, each with what a new pour of it is in a family's drink. */
export const candidatesQuery = (q: string, family: Spec['family'], slot: Slot) =>
  api.queryOptions('get', '/api/ingredients', { params: { query: { q, family, new_as: slot } } }, LARDER);

export const shelfQuery = () => api.queryOptions('get', '/api/shelf');
export const partTastingsQuery = (slug: string) =>
  api.queryOptions('get', '/api/ingredients/{slug}/tastings', { params: { path: { slug } } });
export const tastersQuery = () => api.queryOptions('get', '/api/tasters');
export const palateQuery = (taster: string) =>
  api.queryOptions('get', '/api/palate', { params: { query: { taster } } });
export const calibrationQuery = () => api.queryOptions('get', '/api/calibration');
export const dataFileQuery = () => api.queryOptions('get', '/api/data-file');
export const sharingQuery = () => api.queryOptions('get', '/api/sharing');

/** Every ingredient at a glance: what it holds, what is guessed, what the house changed. */
export const larderLinesQuery = () => api.queryOptions('get', '/api/larder');
export const larderDetailQuery = (slug: string) =>
  api.queryOptions('get', '/api/larder/{slug}', { params: { path: { slug } } });
