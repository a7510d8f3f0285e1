import { api } from '../client';
import { REFETCHES } from './effects';

/** Adds an ingredient from its label. */
export const useAddBottle = () => api.useMutation('post', '/api/bottles', REFETCHES);
/** Removes an ingredient that was added from its label. */
export const useRemoveBottle = () => api.useMutation('delete', '/api/bottles/{slug}', REFETCHES);
/** Sets whether an ingredient is in stock, and its price. */
export const useSetStock = () => api.useMutation('put', '/api/shelf/{slug}', REFETCHES);
/** Sets how much of an ingredient should be in stock. */
export const useSetPar = () => api.useMutation('put', '/api/ingredients/{slug}/par', REFETCHES);
/** Hides an ingredient from the lists, or shows it again. */
export const useRetireIngredient = () => api.useMutation('put', '/api/larder/{slug}/retired', REFETCHES);
/** Lays the bar’s own values over those of the catalogue. */
export const useChangeValues = () => api.useMutation('patch', '/api/larder/{slug}', REFETCHES);
/** Takes the bar’s own values back to what they were. */
export const useRestoreValues = () => api.useMutation('put', '/api/larder/{slug}/values', REFETCHES);
/** Imports a table of own values. */
export const useImportLarderTable = () => api.useMutation('post', '/api/larder/table', REFETCHES);
/** Saves how an ingredient tastes alone. */
export const useSaveIngredientTasting = () => api.useMutation('post', '/api/ingredients/{slug}/tastings', REFETCHES);
/** Imports drinks, bottles and stock from a file, all or nothing. */
export const useImport = () => api.useMutation('post', '/api/import', REFETCHES);
