import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** The four layers only look down: core < contract < (server | web | cli). See docs/architecture.md. */
const layers = {
  core: ['contract', 'server', 'web', 'cli'],
  contract: ['server', 'web', 'cli'],
  server: ['web', 'cli'],
  web: ['server', 'cli'],
  cli: ['web', 'server'],
};

/** What the core must never touch: a screen, a server, a file. */
const outsideWorld = ['react*', 'koa*', '@koa/*', 'drizzle-orm*', '@electric-sql/*', 'node:*', 'fs', 'path'];

const layerRules = Object.entries(layers).map(([layer, above]) => ({
  files: [`src/${layer}/**/*.{ts,tsx}`],
  ignores: ['**/*.test.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          {
            group: above.flatMap((name) => [`**/${name}/**`, `../${name}`]),
            message: `${layer} may not import from ${above.join(', ')}.`,
          },
          ...(layer === 'core' || layer === 'contract'
            ? [{ group: outsideWorld, message: `${layer} knows no screen, server or file.` }]
            : []),
        ],
      },
    ],
  },
}));

export default tseslint.config(
  { ignores: ['dist', 'node_modules', '.cache', '.data', 'src/server/migrations'] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  hooks.configs.flat['recommended-latest'] ?? hooks.configs.flat.recommended,
  {
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'no-restricted-syntax': [
        'error',
        { selector: 'ExportDefaultDeclaration', message: 'Use a named export.' },
      ],
      eqeqeq: 'error',
    },
  },
  { files: ['**/*.config.{ts,js}'], rules: { 'no-restricted-syntax': 'off' } },
  {
    files: ['**/*.mjs', '*.js'],
    languageOptions: { globals: { process: 'readonly', console: 'readonly', URL: 'readonly' } },
  },
  ...layerRules,
);
