import type { ComponentType } from 'react';

import { connectivity } from '@/api';

/** A room whose script didn't come. */
export class PageLoadError extends Error {}

/** A room that comes when it is entered. */
export function lazyPage<Rooms>(load: () => Promise<Rooms>, page: (rooms: Rooms) => ComponentType) {
  return async () => {
    try {
      return { Component: page(await load()) };
    } catch {
      // Whether it was the server is found out by asking it something else.
      await fetch('/api/health', { cache: 'no-store' }).catch(() => connectivity.lost());
      throw new PageLoadError();
    }
  };
}
