declare module '@tanstack/react-query' {
  interface Register {
    mutationMeta: {
      /** Whether it changes the data file: what is in sight is then refetched (docs/adr/0032). */
      writes: boolean;
    };
  }
}

/** Writes: every query in sight is refetched, since any figure may rest on what changed. */
export const REFETCHES = { meta: { writes: true } };

/** Asks by a press and writes nothing: nothing is refetched. */
export const ASKS = { meta: { writes: false } };
