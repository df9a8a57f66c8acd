import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/**
 * The layers only look down: core < contract < (server | web | cli), and disk, what both server and terminal
 * read. See docs/architecture.md.
 */
const layers = {
  core: ['contract', 'disk', 'server', 'web', 'cli'],
  contract: ['disk', 'server', 'web', 'cli'],
  disk: ['server', 'web', 'cli'],
  server: ['web', 'cli'],
  web: ['disk', 'server', 'cli'],
  cli: ['web', 'server'],
};

/** What the core must never touch: a screen, a server, a file. */
const outsideWorld = ['react*', 'koa*', '@koa/*', 'drizzle-orm*', '@electric-sql/*', 'node:*', 'fs', 'path'];

/**
 * The rooms inside the core only look down too: each names the rooms it may use. A room's index.ts is its
 * door for what is above the core; rooms themselves go to the file. The kit of the tests looks everywhere.
 */
const rooms = {
  numeric: [],
  quantity: [],
  kind: ['numeric', 'quantity'],
  cutter: ['kind', 'numeric', 'quantity'],
  material: ['kind', 'numeric', 'quantity'],
  hook: ['kind', 'numeric', 'quantity'],
  head: ['hook', 'kind', 'numeric', 'quantity'],
  fitting: ['head', 'hook', 'kind', 'material', 'numeric', 'quantity'],
  plastic: ['kind', 'numeric', 'quantity'],
  rigging: ['head', 'hook', 'kind', 'numeric', 'plastic', 'quantity'],
  document: ['cutter', 'fitting', 'head', 'hook', 'kind', 'material', 'plastic', 'quantity', 'rigging'],
  assembly: [
    'document',
    'fitting',
    'head',
    'hook',
    'kind',
    'material',
    'numeric',
    'plastic',
    'quantity',
    'rigging',
  ],
  behaviour: [
    'assembly',
    'fitting',
    'head',
    'hook',
    'kind',
    'material',
    'numeric',
    'plastic',
    'quantity',
    'rigging',
  ],
  judge: [
    'behaviour',
    'assembly',
    'document',
    'fitting',
    'head',
    'hook',
    'kind',
    'material',
    'numeric',
    'plastic',
    'quantity',
    'rigging',
  ],
  match: [
    'behaviour',
    'assembly',
    'document',
    'fitting',
    'head',
    'hook',
    'judge',
    'kind',
    'material',
    'numeric',
    'plastic',
    'quantity',
    'rigging',
  ],
  series: [
    'behaviour',
    'assembly',
    'document',
    'head',
    'hook',
    'judge',
    'kind',
    'material',
    'numeric',
    'quantity',
  ],
  plate: ['assembly', 'head', 'hook', 'kind', 'numeric', 'plastic', 'quantity'],
  make: ['assembly', 'cutter', 'document', 'head', 'hook', 'material', 'numeric', 'plate', 'quantity'],
  range: ['numeric'],
  trial: ['behaviour', 'assembly', 'document', 'head', 'judge', 'kind', 'material', 'numeric', 'quantity'],
  exchange: [
    'behaviour',
    'assembly',
    'document',
    'fitting',
    'head',
    'hook',
    'judge',
    'kind',
    'make',
    'match',
    'material',
    'numeric',
    'plastic',
    'plate',
    'quantity',
    'rigging',
    'series',
  ],
};

/**
 * Everyday runs of npm test leave out the rules that compile each component: they take longer than all others
 * together, and run in .ci/run and npm run lint.
 */
const isBrief = process.env.FERN_ANVIL_LINT === 'brief';

const layerPatterns = (layer, above) => [
  {
    group: above.flatMap((name) => [`**/${name}/**`, `../${name}`]),
    message: `${layer} may not import from ${above.join(', ')}.`,
  },
  ...(layer === 'core' || layer === 'contract'
    ? [{ group: outsideWorld, message: `${layer} knows no screen, server or file.` }]
    : []),
];

const restricted = (files, patterns, ignores = []) => ({
  files,
  ignores: ['**/*.test.ts', ...ignores],
  rules: { 'no-restricted-imports': ['error', { patterns }] },
});

const layerRules = Object.entries(layers).map(([layer, above]) =>
  restricted([`src/${layer}/**/*.{ts,tsx}`], layerPatterns(layer, above)),
);

const roomRules = Object.entries(rooms).map(([room, may]) => {
  const barred = Object.keys(rooms).filter((other) => other !== room && !may.includes(other));
  return restricted(
    [`src/core/${room}/**/*.ts`],
    [
      ...layerPatterns('core', layers.core),
      {
        group: [
          ...barred.flatMap((other) => [`../${other}/**`, `../../${other}/**`]),
          '**/test-kit/**',
          ...Object.keys(rooms).flatMap((other) => [`../${other}/index.ts`, `../../${other}/index.ts`]),
        ],
        message: `In the core, ${room} looks down to ${may.join(', ') || 'nothing'} only.`,
      },
      ...(room === 'match'
        ? [
            {
              group: ['../practice/**'],
              message: 'How a head is judged knows nothing of what the trade says beside it.',
            },
          ]
        : []),
    ],
    ['**/*.test-kit.ts'],
  );
});

export default tseslint.config(
  { ignores: ['dist', 'node_modules', '.cache', '.data', 'src/server/migrations'] },
  // What is disabled for a rule that a brief run leaves out is no leftover.
  { linterOptions: { reportUnusedDisableDirectives: isBrief ? 'off' : 'warn' } },
  js.configs.recommended,
  ...tseslint.configs.strict,
  {
    // Only the interface has components and hooks.
    files: ['src/web/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: isBrief
      ? { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'warn' }
      : hooks.configs.flat['recommended-latest'].rules,
  },
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
  {
    // A part of a screen is seen whole: longer ones are parted, and what they compute becomes plain functions
    // with tests.
    files: ['src/web/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts'],
    rules: { 'max-lines': ['error', { max: 300 }] },
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts', '**/*test-kit.ts'],
    rules: { 'max-lines-per-function': ['error', { max: 120, IIFEs: true }] },
  },
  { files: ['**/*.config.{ts,js}'], rules: { 'no-restricted-syntax': 'off' } },
  {
    // Of a range that reaches to 0 nearly all it draws are as good as 0, and a check of such draws is a check
    // of nothing.
    files: ['**/*.test.ts', '**/*test-kit.ts', 'fuzz/**/*.ts'],
    ignores: ['src/core/test-kit/numbers.test-kit.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: 'ExportDefaultDeclaration', message: 'Use a named export.' },
        {
          selector: "CallExpression[callee.object.name='fc'][callee.property.name=/^(double|float)$/]",
          message: 'Draw numbers by between() of numbers.test-kit.ts.',
        },
      ],
    },
  },
  {
    // A fact has one home: units of the trade are named where they are defined.
    files: ['src/**/*.{ts,tsx}', 'bench/**/*.ts'],
    ignores: ['src/core/quantity/units.ts', 'src/core/numeric/at.ts', '**/*.test.ts', '**/*test-kit.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: 'ExportDefaultDeclaration', message: 'Use a named export.' },
        {
          selector:
            "TSAsExpression[expression.type='MemberExpression'][expression.computed=true]:matches([typeAnnotation.type='TSNumberKeyword'], [typeAnnotation.typeName.name=/^Vec[23]$/])",
          message: 'Read by index through src/core/numeric/at.ts.',
        },
        {
          selector: 'Literal[raw=/^(25[.]4|0[.]45359237|0[.]3048|9[.]80665|28[.]349523125)$/]',
          message: 'This factor has its name in src/core/quantity/units.ts.',
        },
      ],
    },
  },
  {
    files: ['**/*.mjs', '*.js'],
    languageOptions: { globals: { process: 'readonly', console: 'readonly', URL: 'readonly' } },
  },
  {
    // A service worker is served as it is.
    files: ['src/web/public/*.js'],
    languageOptions: {
      globals: { self: 'readonly', caches: 'readonly', fetch: 'readonly', URL: 'readonly' },
    },
  },
  ...layerRules,
  ...roomRules,
);
