import { defineConfig } from 'vite';

/** The modules of the front end that need no page, compiled for Node: tests/web runs them case by case. */
export default defineConfig({
  resolve: { tsconfigPaths: true },
  build: {
    lib: {
      entry: {
        criteria: 'src/features/originals/criteria.ts',
        draft: 'src/spec/edits.ts',
        flight: 'src/features/trials/flight.ts',
        format: 'src/lib/format.ts',
        history: 'src/lib/history.ts',
        numbers: 'src/lib/numbers.ts',
        persisted: 'src/hooks/persisted.ts',
        queryHash: 'src/api/queryHash.ts',
        scales: 'src/lib/scales.ts',
        settings: 'src/hooks/settings.ts',
        trail: 'src/features/bench/field/trail.ts',
        treeLayout: 'src/features/tree/treeLayout.ts',
      },
      formats: ['es'],
    },
    outDir: '../build/units',
    emptyOutDir: true,
    copyPublicDir: false,
    minify: false,
  },
});
