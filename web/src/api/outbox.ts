import { hasKeys, readStored, storedKeys, writeStored } from '@/lib';
import { IDEMPOTENCY_KEY } from './idempotency';

/** A write that found no server, kept in this browser until it is answered; its key lets the server make it once, however often it comes. */
export interface UnsentWrite {
  key: string;
  method: string;
  path: string;
  body: string;
  at: number;
}

const PLACE = 'oenomel.outbox.';
/** So long the server knows a key. */
const KNOWN_MS = 40 * 3_600_000;

/** What writes by POST; any other POST asks, and nobody waits for its answer once the window is closed. */
const POSTED = new Set([
  '/api/bottles',
  '/api/lots',
  '/api/lots/{lot_id}/readings',
  '/api/preparations',
  '/api/preparations/{slug}/makings',
  '/api/batches',
  '/api/batches/{batch_id}/served',
  '/api/batches/{batch_id}/readings',
  '/api/batches/{batch_id}/additions',
  '/api/evening/back',
  '/api/drinks',
  '/api/drinks/{drink_id}/trials',
  '/api/drinks/{drink_id}/spec-cloud',
  '/api/tastings',
  '/api/ingredients/{slug}/tastings',
  '/api/sittings',
  '/api/sittings/{sitting_id}/end',
  '/api/triangles/{triangle_id}/answer',
  '/api/exercises/{exercise_id}/answer',
  '/api/drinks/{drink_id}/trials/{trial_id}/readings',
]);

const requests = new WeakSet<Request>();
/** Keys of writes that this window sends itself. */
const ownKeys = new Set<string>();

/** Marks a request as one that is to arrive, be it after the window was closed. The draft on the bench keeps itself. */
export function markForOutbox(request: Request, schemaPath: string): void {
  const writes = request.method === 'POST' ? POSTED.has(schemaPath) : !schemaPath.endsWith('/draft');
  if (!writes) return;
  requests.add(request);
  const key = request.headers.get(IDEMPOTENCY_KEY);
  // What was held is sent now: from here on it is told as it goes out, its query too, by which the server knows it again.
  if (key && ownKeys.has(key)) void write(key, request);
}

/** Keeps a marked request that found no server. */
export async function keepUnsent(request: Request): Promise<void> {
  const key = request.headers.get(IDEMPOTENCY_KEY);
  if (!key || !requests.has(request) || ownKeys.has(key)) return;
  ownKeys.add(key);
  await write(key, request);
}

async function write(key: string, request: Request): Promise<void> {
  const { pathname, search } = new URL(request.url);
  const body = await request.clone().text();
  // It may have been answered meanwhile.
  if (ownKeys.has(key))
    writeStored(PLACE + key, { key, method: request.method, path: pathname + search, body, at: Date.now() });
}

/** Holds a write that waits for its turn; sent with this key it is let go when it is answered. */
export function holdWrite(key: string, method: string, path: string, body: unknown): void {
  ownKeys.add(key);
  writeStored(PLACE + key, { key, method, path, body: JSON.stringify(body), at: Date.now() });
}

/** It was answered. */
export function markAnswered(request: Request): void {
  const key = request.headers.get(IDEMPOTENCY_KEY);
  if (key && ownKeys.delete(key)) forgetWrite(key);
}

export function forgetWrite(key: string): void {
  writeStored(PLACE + key, null);
}

/** So long a window that is open has to send what it holds, before another takes it for left. */
export const OWN_TURN_MS = 3000;

/** What another window left, the oldest first. */
export function abandonedWrites(): UnsentWrite[] {
  return storedKeys(PLACE)
    .map((place) => readStored(place, isKept))
    .filter(
      (unsentWrite): unsentWrite is UnsentWrite =>
        unsentWrite !== null && !ownKeys.has(unsentWrite.key) && Date.now() - unsentWrite.at >= OWN_TURN_MS,
    )
    .sort((one, other) => one.at - other.at);
}

/** Whether the server would still know that it has made it already. */
export function isStillRetryable(unsentWrite: UnsentWrite): boolean {
  return Date.now() - unsentWrite.at < KNOWN_MS;
}

const isKept = (told: unknown): told is UnsentWrite =>
  hasKeys(told, { key: 'string', method: 'string', path: 'string', body: 'string', at: 'number' });

/** Sends it again; what refuses it, empty where nothing does, null where there is still no server. */
export async function resend(unsentWrite: UnsentWrite): Promise<string | null> {
  try {
    const headers = { 'content-type': 'application/json', [IDEMPOTENCY_KEY]: unsentWrite.key };
    const answer = await fetch(unsentWrite.path, {
      method: unsentWrite.method,
      headers,
      body: unsentWrite.body || null,
    });
    if (answer.ok) return '';
    const problem = (await answer.json().catch(() => ({}))) as { detail?: string; code?: string };
    if (answer.status >= 500) return null;
    return problem.code === 'written-before' ? '' : (problem.detail ?? 'the server refused it');
  } catch {
    return null;
  }
}
