import createClient from 'openapi-fetch';
import createQueries from 'openapi-react-query';

import { markAnswered, keepUnsent, markForOutbox } from './outbox';
import { savesSettled } from './pendingSaves';
import { connectivity } from './connectivity';
import { newIdempotencyKey, IDEMPOTENCY_KEY } from './idempotency';
import type { paths } from './schema';
import type { Assumptions, Fault } from './types';

/** The same as it is thrown. */
export class ProblemError extends Error implements Fault {
  constructor(
    readonly detail: string,
    readonly code: string,
    readonly path = '',
  ) {
    super(detail);
  }
}

/** The sentence of an answer that refuses. */
export async function problemOf(answer: Response): Promise<ProblemError> {
  const problem = (await answer.json().catch(() => ({}))) as Partial<Fault>;
  return new ProblemError(
    problem.detail ?? 'The server’s answer can’t be read.',
    problem.code ?? 'unreadable',
    problem.path,
  );
}

/** What a forecast supposes of today's ice: a route that takes it has to be told, be it that nothing is unusual. */
type WithIce<Operation> = Operation extends { parameters: { query?: { ice_c?: number } } }
  ? Operation extends { parameters: { query?: never } }
    ? Operation
    : Omit<Operation, 'parameters'> & { parameters: Omit<Operation['parameters'], 'query'> & { query: Assumptions } }
  : Operation;
type Routes = { [Path in keyof paths]: { [Method in keyof paths[Path]]: WithIce<paths[Path][Method]> } };

/** What a window writes was changed elsewhere since it was read. */
export const CHANGED_ELSEWHERE = 'changed-elsewhere';

/** Codes of what is no answer to what was asked. */
export const UNREACHABLE = 'unreachable';
const NOT_LET_IN = 'not-paired';

/**
 * Asks the server. What it doesn't answer is asked again, what writes with the same key as before, until it does or nobody waits any more;
 * only what is read is told at once that there is no answer, for there is something to show without it. What writes is kept in the browser
 * meanwhile, for a window that is closed before the server is back.
 */
async function fetchPersistently(request: Request): Promise<Response> {
  for (let attempt = 0; ; attempt += 1) {
    try {
      const answer = await globalThis.fetch(request.method === 'GET' ? request : request.clone());
      connectivity.reportSuccess();
      markAnswered(request);
      return answer;
    } catch (fault) {
      if (request.signal.aborted) throw fault;
      connectivity.reportFailure();
      if (request.method === 'GET') throw new ProblemError('the server doesn’t answer', UNREACHABLE);
      if (attempt === 0) await keepUnsent(request);
      await connectivity.waitBeforeRetry(attempt, request.signal);
    }
  }
}

export const client = createClient<Routes>({ baseUrl: globalThis.location.origin, fetch: fetchPersistently });
client.use({
  onRequest: async ({ request, schemaPath }) => {
    // Who reads the book or a drink waits for saves that are under way, or would read what was before.
    if (request.method === 'GET' && schemaPath.startsWith('/api/drinks')) await savesSettled();
    if (request.method !== 'GET') {
      if (!request.headers.has(IDEMPOTENCY_KEY)) request.headers.set(IDEMPOTENCY_KEY, newIdempotencyKey());
      markForOutbox(request, schemaPath);
    }
  },
  onResponse: async ({ response }) => {
    if (response.ok) return;
    const problem = await problemOf(response);
    // A device that was forgotten is shown the door.
    if (problem.code === NOT_LET_IN) globalThis.location.reload();
    throw problem;
  },
});

/** Queries and mutations by route: their keys have one shape, [method, path, what was asked]. */
export const api = createQueries(client);

/** The answer's data: whatever refuses was thrown already. */
export function unwrap<T>(answer: { data?: T }): T {
  if (answer.data === undefined) throw new ProblemError('The server’s answer can’t be read.', 'unreadable');
  return answer.data;
}
