import { keepPreviousData } from '@tanstack/react-query';

import { api } from '../client';
import type { CardRequest, ListRequest, Assumptions } from '../types';

/** A drink on a card, as a fragment of HTML whose text is all escaped. */
export const cardQuery = (body: CardRequest, query: Assumptions) =>
  api.queryOptions('post', '/api/cards', { params: { query }, body }, { placeholderData: keepPreviousData });

/** A whole list on one sheet. */
export const listQuery = (body: ListRequest, query: Assumptions) =>
  api.queryOptions('post', '/api/list-sheet', { params: { query }, body });
