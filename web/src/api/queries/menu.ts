import { keepPreviousData } from '@tanstack/react-query';

import { api } from '../client';
import type { Assumptions } from '../types';

/** The list made of today's lots. */
export const menuTodayQuery = (grid: number, query: Assumptions) =>
  api.queryOptions(
    'get',
    '/api/today',
    { params: { query: { ...query, grid } } },
    { placeholderData: keepPreviousData },
  );
export const currencyQuery = () => api.queryOptions('get', '/api/currency');
