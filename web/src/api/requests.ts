import { client, unwrap } from './client';
import { IDEMPOTENCY_KEY } from './idempotency';
import type { Assumptions, DrinkDetail, EventChange, OpenFormat, Schemas, Spec, Triangle, Unreadable } from './types';

/** A file to save: its text and its name. */
type SavedFile = { text: string; file_name: string };

export async function fetchDrink(drink_id: number): Promise<DrinkDetail> {
  return unwrap(await client.GET('/api/drinks/{drink_id}', { params: { path: { drink_id } } }));
}

export async function fetchTriangle(triangle_id: number): Promise<Triangle> {
  return unwrap(await client.GET('/api/triangles/{triangle_id}', { params: { path: { triangle_id } } }));
}

/** One spec from the trials of two or three parents. */
export async function combineTrials(parents: number[]): Promise<Spec> {
  return unwrap(await client.POST('/api/cross', { body: { parents } }));
}

/** Saves the draft of a drink, also from a window that closes; sent again with its key it is the same save. */
export function saveDraft(drink_id: number, body: Schemas['DraftEntry'], key?: string) {
  return client.PUT('/api/drinks/{drink_id}/draft', {
    params: { path: { drink_id } },
    body,
    ...(key !== undefined && { headers: { [IDEMPOTENCY_KEY]: key }, keepalive: true }),
  });
}

export async function createTrial(drink_id: number, body: Schemas['NewTrial']): Promise<DrinkDetail> {
  const params = { path: { drink_id }, query: {} };
  return unwrap(await client.POST('/api/drinks/{drink_id}/trials', { params, body }));
}

/** One change of the event plan, of which the answer is the whole plan. */
export async function changeEvent(body: EventChange, query: Assumptions, key: string) {
  return unwrap(await client.PATCH('/api/evening', { params: { query }, body, headers: { [IDEMPOTENCY_KEY]: key } }));
}

export async function eventCalendar(query: Assumptions): Promise<SavedFile> {
  return unwrap(await client.GET('/api/evening/calendar', { params: { query } }));
}

export async function eventList(wanted: 'csv' | 'text', query: Assumptions): Promise<SavedFile> {
  return unwrap(await client.GET('/api/evening/list', { params: { query: { ...query, wanted } } }));
}

/** One spec as a file, with what is remembered of its drink. */
export async function writeSpec(spec: Spec, wanted: OpenFormat, notes: string, query: Assumptions): Promise<SavedFile> {
  return unwrap(await client.POST('/api/write', { params: { query }, body: { spec, wanted, notes } }));
}

/** Drinks as one file; all of the bar's data where none are named. */
export async function exportDrinks(drinks: number[], wanted: Schemas['ExportRequest']['wanted']): Promise<SavedFile> {
  return unwrap(await client.POST('/api/export', { body: { drinks, wanted } }));
}

/** Addresses of this machine at which the same data file was open before. */
export async function otherAddresses(): Promise<string[]> {
  return unwrap(await client.POST('/api/opened', {})).elsewhere.map(({ address }) => address);
}

const DELETES = {
  lot: (id: string) => client.DELETE('/api/lots/{lot_id}', { params: { path: { lot_id: Number(id) } } }),
  batch: (id: string) => client.DELETE('/api/batches/{batch_id}', { params: { path: { batch_id: Number(id) } } }),
  preparation: (slug: string) => client.DELETE('/api/preparations/{slug}', { params: { path: { slug } } }),
  evening: () => client.DELETE('/api/evening', {}),
  drink: () => Promise.resolve(),
} as const;

/** Deletes a stored row that can't be read. */
export async function deleteUnreadable({ kind, known_by }: Pick<Unreadable, 'kind' | 'known_by'>): Promise<void> {
  await DELETES[kind](known_by);
}
