import { keepPreviousData } from '@tanstack/react-query';

import { api } from '../client';
import type { Assumptions } from '../types';

export const eventPlanQuery = (query: Assumptions) =>
  api.queryOptions(
    'get',
    '/api/evening',
    { params: { query } },
    { placeholderData: keepPreviousData, refetchInterval: 60_000 },
  );
