import { api } from '../client';
import { REFETCHES } from './effects';

/** Starts a session of triangle tests. */
export const useStartSession = () => api.useMutation('post', '/api/sittings', REFETCHES);
/** Ends a session. */
export const useEndSession = () => api.useMutation('post', '/api/sittings/{sitting_id}/end', REFETCHES);
/** Removes a session with all its answers. */
export const useRemoveSession = () => api.useMutation('delete', '/api/sittings/{sitting_id}', REFETCHES);
/** Pours the next triangle of a session. */
export const useNextTriangle = () => api.useMutation('post', '/api/sittings/{sitting_id}/triangles', REFETCHES);
/** Answers a triangle. */
export const useAnswerTriangle = () => api.useMutation('post', '/api/triangles/{triangle_id}/answer', REFETCHES);
/** Draws a question about a drink. */
export const useStartExercise = () => api.useMutation('post', '/api/exercises', REFETCHES);
/** Answers a question. */
export const useAnswerExercise = () => api.useMutation('post', '/api/exercises/{exercise_id}/answer', REFETCHES);
/** Starts a week of training. */
export const useStartTraining = () => api.useMutation('put', '/api/training', REFETCHES);
/** Ends a week of training. */
export const useEndTraining = () => api.useMutation('delete', '/api/training/{taster}', REFETCHES);
