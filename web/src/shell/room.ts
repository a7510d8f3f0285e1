import type { ComponentType } from 'react';

import { reach } from '../api/reach';

/** A room whose script didn't come. */
export class RoomMissing extends Error {}

/** A room that comes when it is entered. */
export function room<Rooms>(load: () => Promise<Rooms>, page: (rooms: Rooms) => ComponentType) {
  return async () => {
    try {
      return { Component: page(await load()) };
    } catch {
      // Whether it was the server is found out by asking it something else.
      await fetch('/api/health', { cache: 'no-store' }).catch(() => reach.lost());
      throw new RoomMissing();
    }
  };
}
