/**
 * What one write is called: when it is sent again, because its answer was lost, the server knows it by this and makes it once. Drawn so that
 * it works on a page without encryption too.
 */
export function newIdempotencyKey(): string {
  return Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, '0')).join('');
}

export const IDEMPOTENCY_KEY = 'idempotency-key';

/** The answer is that to the same write when it came first. */
export const REPLAYED = 'answered-before';
