import { useSearchParams } from 'react-router';

import type { BatchEntry, Spec } from '@/api';
import { COLD_STORAGE, SERVICE_STYLES, type ColdStorage } from './serviceStyles';

/** What is asked of a batch, as it stands in the address: shared, reloaded and gone back to as it is. */
export interface BatchRequest {
  service: BatchEntry['service'];
  serves: number | null;
  container: number | null;
  grid: number;
  standIn: boolean;
  /** Where it waits; null: where such a service wants it. */
  cold: ColdStorage | null;
  useUp: { ingredient: string; ml: number } | null;
}

const USUAL_SERVES = 12;

const number = (text: string | null): number | null => {
  const value = text === null || text === '' ? NaN : Number(text);
  return Number.isFinite(value) ? value : null;
};

/** The wish in the address, and how it is changed. */
export function useBatchRequest(usual: BatchEntry['service']) {
  const [query, setQuery] = useSearchParams();
  const service = SERVICE_STYLES.find(([option]) => option === query.get('service'))?.[0] ?? usual;
  const ingredient = query.get('all');
  const ml = number(query.get('of'));
  const useUp = ingredient && ml !== null ? { ingredient, ml } : null;
  const container = number(query.get('container'));
  const value = number(query.get('serves'));
  // Nothing said: a dozen. A container alone decides how many it is.
  const serves = useUp ? null : (value ?? (container === null ? USUAL_SERVES : null));
  const wish: BatchRequest = {
    service,
    serves,
    container: useUp ? null : container,
    grid: number(query.get('grid')) ?? 5,
    standIn: query.get('standin') === '1',
    cold: COLD_STORAGE.find(([coldStorage]) => coldStorage === query.get('cold'))?.[0] ?? null,
    useUp,
  };
  const change = (part: Partial<BatchRequest>) => {
    const next = { ...wish, ...part };
    setQuery(
      {
        service: next.service,
        ...(next.serves !== null && !next.useUp && { serves: String(next.serves) }),
        ...(next.container !== null && !next.useUp && { container: String(next.container) }),
        ...(next.useUp && { all: next.useUp.ingredient, of: String(next.useUp.ml) }),
        ...(next.grid !== 5 && { grid: String(next.grid) }),
        ...(next.standIn && { standin: '1' }),
        ...(next.cold && { cold: next.cold }),
      },
      { flushSync: true },
    );
  };
  return { wish, change };
}

/** The same as the server is asked, of today’s lots. */
export const batchEntry = (wish: BatchRequest, spec: Spec): BatchEntry => ({
  spec,
  service: wish.service,
  serves: wish.serves,
  container_ml: wish.container,
  use_up: wish.useUp?.ingredient ?? null,
  use_up_ml: wish.useUp?.ml ?? null,
  grid: wish.grid,
  cold: wish.cold,
  stand_in: wish.standIn,
  today: true,
});
