import subsetFont from 'subset-font';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';
import { compression, defineAlgorithm } from 'vite-plugin-compression2';

/** Weights that the pages use of each family; headings have one. */
const WEIGHTS: [RegExp, { min: number; max: number } | number][] = [
  [/bricolage/, 600],
  [/atkinson/, { min: 400, max: 700 }],
];

/** Western letters, punctuation and signs; the files of other letters are fetched by the browser where a text has one. */
const LATIN = String.fromCodePoint(
  ...Array.from({ length: 0x5f }, (_, n) => 0x20 + n),
  ...Array.from({ length: 0x60 }, (_, n) => 0xa0 + n),
  ...[
    0x131, 0x152, 0x153, 0x2013, 0x2014, 0x2018, 0x2019, 0x201a, 0x201c, 0x201d, 0x201e, 0x2022, 0x2026, 0x2039, 0x203a,
  ],
  ...[0x20ac, 0x2122, 0x2212, 0x2215],
);

/** Takes weights and letters that no page uses out of the fonts: half of their bytes. */
const subsetFonts: Plugin = {
  name: 'subset-fonts',
  apply: 'build',
  async generateBundle(_options, bundle) {
    for (const asset of Object.values(bundle)) {
      if (asset.type !== 'asset' || !/-latin-wght.*\.woff2$/.test(asset.fileName)) continue;
      const wght = WEIGHTS.find(([family]) => family.test(asset.fileName))?.[1];
      asset.source = await subsetFont(Buffer.from(asset.source), LATIN, {
        targetFormat: 'woff2',
        ...(wght !== undefined && { variationAxes: { wght } }),
      });
    }
  },
};

/** Has the first script compiled whole while it is fetched: nearly all of it runs before the first figures. */
const compileWhole: Plugin = {
  name: 'compile-whole',
  apply: 'build',
  enforce: 'post',
  generateBundle(_options, bundle) {
    const chunks = Object.values(bundle).filter((file) => file.type === 'chunk');
    const first = chunks.filter(({ isEntry }) => isEntry);
    for (const chunk of chunks) {
      const isFirst = chunk.isEntry || first.some(({ imports }) => imports.includes(chunk.fileName));
      if (isFirst) chunk.code = `//# allFunctionsCalledOnLoad\n${chunk.code}`;
    }
  },
};

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    subsetFonts,
    compileWhole,
    // The server sends these to browsers that accept them.
    compression({
      include: /\.(?:js|css|html|svg)$/,
      threshold: 1024,
      algorithms: [defineAlgorithm('brotliCompress'), defineAlgorithm('gzip', { level: 9 })],
    }),
  ],
  resolve: { tsconfigPaths: true },
  // The server serves the built files out of its own package.
  build: {
    outDir: '../src/oenomel/api/static',
    emptyOutDir: true,
    assetsInlineLimit: 0,
  },
  server: { proxy: { '/api': 'http://127.0.0.1:8000' } },
});
