import { keepPreviousData } from '@tanstack/react-query';

import { api } from '../client';
import type { Slot, Spec } from '../types';

const LARDER = { staleTime: 60_000, placeholderData: keepPreviousData };

/** The whole larder. */
export const larderQuery = () => api.queryOptions('get', '/api/ingredients', {}, LARDER);
/** Some ingredients, the retired ones too. */
export const someIngredientsQuery = (slug: string[]) =>
  api.queryOptions('get', '/api/ingredients', { params: { query: { slug } } }, LARDER);
/** Ingredients in which every typed word stands, each with what a new pour of it is in a family's drink. */
export const candidatesQuery = (q: string, family: Spec['family'], slot: Slot) =>
  api.queryOptions('get', '/api/ingredients', { params: { query: { q, family, new_as: slot } } }, LARDER);
export const stockQuery = () => api.queryOptions('get', '/api/shelf');
export const partTastingsQuery = (slug: string) =>
  api.queryOptions('get', '/api/ingredients/{slug}/tastings', { params: { path: { slug } } });
/** Every ingredient at a glance: what it holds, what is guessed, what the house changed. */
export const larderLinesQuery = () => api.queryOptions('get', '/api/larder');
export const larderDetailQuery = (slug: string) =>
  api.queryOptions('get', '/api/larder/{slug}', { params: { path: { slug } } });
