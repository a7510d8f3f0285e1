import { keepPreviousData, queryOptions, useMutation, useQueryClient, type QueryClient } from '@tanstack/react-query';

import {
  client,
  unwrap,
  type Brief,
  type Mark,
  type ReadingEntry,
  type SheetEntry,
  type Spec,
  type Supposed,
} from '../../api/client';
import { savesSettled } from '../../api/pendingSaves';
import { useSettings } from '../../lib/settings';

export const notebookQuery = (id: number) =>
  queryOptions({
    queryKey: ['notebook', id],
    queryFn: async ({ signal }) => {
      await savesSettled();
      return unwrap(
        await client.GET('/api/drinks/{drink_id}/notebook', { params: { path: { drink_id: id } }, signal }),
      );
    },
    staleTime: 0,
  });

export const sideBySideQuery = (id: number, trials: number[], supposed: Supposed) =>
  queryOptions({
    queryKey: ['side by side', id, trials, supposed],
    queryFn: async ({ signal }) =>
      unwrap(
        await client.POST('/api/drinks/{drink_id}/side-by-side', {
          params: { path: { drink_id: id }, query: supposed },
          body: { trials },
          signal,
        }),
      ),
    enabled: trials.length > 1,
    placeholderData: keepPreviousData,
  });

export const nextQuery = (id: number, trial: number, palate: string | null, grid: number, supposed: Supposed) =>
  queryOptions({
    queryKey: ['next', id, trial, palate, grid, supposed],
    queryFn: async ({ signal }) =>
      unwrap(
        await client.POST('/api/drinks/{drink_id}/trials/{trial_id}/next', {
          params: { path: { drink_id: id, trial_id: trial }, query: supposed },
          body: { palate, grid },
          signal,
        }),
      ),
  });

export const aromasQuery = () =>
  queryOptions({
    queryKey: ['aromas'],
    queryFn: async ({ signal }) => unwrap(await client.GET('/api/aromas', { signal })),
    staleTime: Infinity,
  });

export const tastersQuery = () =>
  queryOptions({
    queryKey: ['tasters'],
    queryFn: async ({ signal }) => unwrap(await client.GET('/api/tasters', { signal })),
  });

export const palateQuery = (taster: string) =>
  queryOptions({
    queryKey: ['palate', taster],
    queryFn: async ({ signal }) => unwrap(await client.GET('/api/palate', { params: { query: { taster } }, signal })),
  });

export const devicesQuery = () =>
  queryOptions({
    queryKey: ['devices'],
    queryFn: async ({ signal }) => unwrap(await client.GET('/api/devices', { signal })),
    staleTime: Infinity,
  });

export const calibrationQuery = () =>
  queryOptions({
    queryKey: ['calibration'],
    queryFn: async ({ signal }) => unwrap(await client.GET('/api/calibration', { signal })),
  });

export const cloudQuery = (id: number, supposed: Supposed) =>
  queryOptions({
    queryKey: ['cloud', id, supposed],
    queryFn: async ({ signal }) =>
      unwrap(
        await client.GET('/api/drinks/{drink_id}/spec-cloud', {
          params: { path: { drink_id: id }, query: supposed },
          signal,
        }),
      ),
  });

/** Everything that a new sheet or reading may change. */
const TOLD = ['notebook', 'next', 'tasters', 'palate', 'tree', 'drinks', 'calibration', 'side by side', 'comparison'];

function tellAll(queryClient: QueryClient) {
  return Promise.all(TOLD.map((key) => queryClient.invalidateQueries({ queryKey: [key] })));
}

/** Keeps sheets: all of them or none. */
export function useKeepSheets() {
  const queryClient = useQueryClient();
  return useMutation({
    mutationFn: async (sheets: SheetEntry[]) => unwrap(await client.POST('/api/tastings', { body: { sheets } })),
    onSuccess: () => tellAll(queryClient),
  });
}

export function useTakeSheetBack() {
  const queryClient = useQueryClient();
  return useMutation({
    mutationFn: async (id: number) => {
      const answer = await client.DELETE('/api/tastings/{tasting_id}', { params: { path: { tasting_id: id } } });
      if (answer.error) unwrap(answer);
    },
    onSuccess: () => tellAll(queryClient),
  });
}

export function useMark(id: number) {
  const queryClient = useQueryClient();
  return useMutation({
    mutationFn: async ({ trial, mark }: { trial: number; mark: Mark }) =>
      unwrap(
        await client.PUT('/api/drinks/{drink_id}/trials/{trial_id}/mark', {
          params: { path: { drink_id: id, trial_id: trial } },
          body: { mark },
        }),
      ),
    onSuccess: () => tellAll(queryClient),
  });
}

export function useWriteBrief(id: number) {
  const queryClient = useQueryClient();
  return useMutation({
    mutationFn: async (body: Brief) =>
      unwrap(await client.PUT('/api/drinks/{drink_id}/brief', { params: { path: { drink_id: id } }, body })),
    onSuccess: (notebook) => queryClient.setQueryData(['notebook', id], notebook),
  });
}

export function useKeepReading(id: number) {
  const queryClient = useQueryClient();
  return useMutation({
    mutationFn: async ({ trial, reading }: { trial: number; reading: ReadingEntry }) =>
      unwrap(
        await client.POST('/api/drinks/{drink_id}/trials/{trial_id}/readings', {
          params: { path: { drink_id: id, trial_id: trial } },
          body: reading,
        }),
      ),
    onSuccess: () => tellAll(queryClient),
  });
}

export function useTakeReadingBack(id: number) {
  const queryClient = useQueryClient();
  return useMutation({
    mutationFn: async (reading: number) =>
      unwrap(
        await client.DELETE('/api/drinks/{drink_id}/readings/{reading_id}', {
          params: { path: { drink_id: id, reading_id: reading } },
        }),
      ),
    onSuccess: () => tellAll(queryClient),
  });
}

type Point = ReadingEntry['point'];

export function useReadDevice() {
  return useMutation({
    mutationFn: async ({ device, trial, point, make }: { device: string; trial: number; point: Point; make: string }) =>
      unwrap(
        await client.POST('/api/devices/{device}/read', {
          params: { path: { device } },
          body: { trial_id: trial, point, make, zero: true },
        }),
      ),
  });
}

export function useResetPalate() {
  const queryClient = useQueryClient();
  return useMutation({
    mutationFn: async (taster: string) => {
      const answer = await client.DELETE('/api/palate', { params: { query: { taster } } });
      if (answer.error) unwrap(answer);
    },
    onSuccess: () => tellAll(queryClient),
  });
}

/** Adds somebody's spec to the cloud of a drink, or takes one out. */
export function useGather(id: number) {
  const queryClient = useQueryClient();
  const { supposed } = useSettings();
  const told = () => queryClient.invalidateQueries({ queryKey: ['cloud', id] });
  const add = useMutation({
    mutationFn: async (body: { name: string; spec: Spec }) =>
      unwrap(
        await client.POST('/api/drinks/{drink_id}/spec-cloud', {
          params: { path: { drink_id: id }, query: supposed },
          body,
        }),
      ),
    onSuccess: told,
  });
  const drop = useMutation({
    mutationFn: async (gathered: number) =>
      unwrap(
        await client.DELETE('/api/drinks/{drink_id}/spec-cloud/{spec_id}', {
          params: { path: { drink_id: id, spec_id: gathered }, query: supposed },
        }),
      ),
    onSuccess: told,
  });
  return { add, drop };
}

/** Lays a spec on the bench as the draft, held against a trial of the drink, in place of what lies there. */
export function useLayOnBench(id: number) {
  const queryClient = useQueryClient();
  return useMutation({
    mutationFn: async ({ spec, parent }: { spec: Spec; parent: number }) => {
      const path = { drink_id: id };
      const drink = unwrap(await client.GET('/api/drinks/{drink_id}', { params: { path } }));
      const body = { parent_trial_id: parent, spec, revision: drink.draft?.revision ?? 0 };
      return unwrap(await client.PUT('/api/drinks/{drink_id}/draft', { params: { path }, body }));
    },
    onSuccess: () =>
      Promise.all([['drink', id], ['drinks']].map((queryKey) => queryClient.invalidateQueries({ queryKey }))),
  });
}
