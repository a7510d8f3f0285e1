import { api } from '../client';
import type { TriangleSubject } from '../types';

/** What is known of a tongue, of the house's for an empty name. */
export const sensoryProfileQuery = (taster: string) =>
  api.queryOptions('get', '/api/tongue', { params: { query: { taster } } });

/** What could go into the jugs. */
export const bottlesQuery = (matter: TriangleSubject) =>
  api.queryOptions('get', '/api/tongue/bottles/{matter}', { params: { path: { matter } } });

/** A sitting as it stands; a second device follows it. */
export const trainingSessionQuery = (id: number) =>
  api.queryOptions(
    'get',
    '/api/sittings/{sitting_id}',
    { params: { path: { sitting_id: id } } },
    { refetchInterval: 4000 },
  );

/** What goes in which glass: asked only when the pourer wants to see it. */
export const keyQuery = (id: number) =>
  api.queryOptions('get', '/api/triangles/{triangle_id}/key', { params: { path: { triangle_id: id } } });

export const exerciseQuery = (id: number) =>
  api.queryOptions('get', '/api/exercises/{exercise_id}', { params: { path: { exercise_id: id } } });

export const tastersQuery = () => api.queryOptions('get', '/api/tasters');
export const palateQuery = (taster: string) =>
  api.queryOptions('get', '/api/palate', { params: { query: { taster } } });
export const calibrationQuery = () => api.queryOptions('get', '/api/calibration');
