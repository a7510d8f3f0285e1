import { api } from '../client';

export const healthQuery = () => api.queryOptions('get', '/api/health', {}, { staleTime: Infinity });
export const dataFileQuery = () => api.queryOptions('get', '/api/data-file');
export const sharingQuery = () => api.queryOptions('get', '/api/sharing');
