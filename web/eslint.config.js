import js from '@eslint/js';
import { defineConfig } from 'eslint/config';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** Folders of src/, bottom first: each imports from those before it only. `api/types` names the generated types and is open to all. */
const LAYERS = ['lib', 'hooks', 'api', 'spec', 'ui', 'features', 'app'];

/** Features, bottom first: each imports from those before it only, by their index, so that no circle can arise. */
// prettier-ignore
const FEATURES = [
  'draft', 'open-on-bench', 'export', 'ingredient-search', 'lots', 'stock', 'swaps', 'larder', 'bench', 'card', 'tree', 'recipes', 'import',
  'import-text', 'preparations', 'trials', 'originals', 'sensory', 'menu', 'batches', 'event',
];

/** Forbids imports whose address matches, static, dynamic and of types. */
function forbid(files, regex, message) {
  return {
    files,
    rules: {
      'no-restricted-imports': ['error', { patterns: [{ regex, message }] }],
      'no-restricted-syntax': [
        'error',
        { selector: `ImportExpression[source.value=/${regex.replaceAll('/', '\\/')}/]`, message },
      ],
    },
  };
}

const layerRules = LAYERS.filter((layer) => layer !== 'features').map((layer) => {
  const above = LAYERS.slice(LAYERS.indexOf(layer) + 1).join('|');
  return forbid(
    [`src/${layer}/**`],
    `^@/(?:(?:${above || '-'})/(?!types$)|features/[^/]+/)|^(?:\\.\\./)+(?:${LAYERS.join('|')})/`,
    `Only folders below ${layer} (${LAYERS.join(', ')}), features by their index, other folders by "@/".`,
  );
});

const featureRules = FEATURES.map((feature, at) => {
  const later = FEATURES.slice(at).join('|');
  return forbid(
    [`src/features/${feature}/**`],
    `^@/(?:app/|features/(?:[^/]+/|(?:${later})$))|^(?:\\.\\./)+(?:${[...LAYERS, ...FEATURES].join('|')})(?:/|$)`,
    `Only features before ${feature} in eslint.config.js, by their index ("@/features/…").`,
  );
});

export default defineConfig(
  { ignores: ['node_modules', 'src/api/schema.d.ts', 'public'] },
  js.configs.recommended,
  ...tseslint.configs.strictTypeChecked,
  reactHooks.configs.flat.recommended,
  {
    languageOptions: { parserOptions: { project: './tsconfig.json', tsconfigRootDir: import.meta.dirname } },
    rules: {
      // A function over 80 lines does two things.
      'max-lines-per-function': ['error', { max: 80 }],
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
    },
  },
  layerRules,
  featureRules,
  // No part of the program that the types are of.
  {
    files: ['eslint.config.js'],
    ...tseslint.configs.disableTypeChecked,
    languageOptions: { parserOptions: { project: null } },
  },
);
