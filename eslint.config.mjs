// One direction of dependency: core <- contract <- server, web, cli; e2e above all. See docs/architecture.md.
import js from '@eslint/js';
import angular from 'angular-eslint';
import prettier from 'eslint-config-prettier';
import globals from 'globals';
import tseslint from 'typescript-eslint';

const forbid = (files, group, message, ignores = []) => ({
  files: [files],
  ignores,
  rules: { 'no-restricted-imports': ['error', { patterns: [{ group, message }] }] },
});

const CLI_STANDS_ON =
  'cli stands on core and contract, and of the server on its search threads and what looks after the data folder.';
const ROOM = (name) => `**/${name}/**`;

/** Rooms of the page, each a folder of its own. */
const ROOMS = [
  'plan',
  'size',
  'wire',
  'pack',
  'rehearse',
  'card',
  'field',
  'debrief',
  'logbook',
  'begin',
  'settings',
  'gear',
  'bench',
  'trips',
  'quick',
  'backup',
];
/** What they stand on. */
const SHARED = ['trip', 'lanes', 'figures', 'work', 'parts', 'data', 'shell'];
/** Relative imports that lead into one of some folders of the page. */
const toRooms = (rooms) => `^\\.{1,2}/(?:\\.\\./)*(?:${rooms.join('|')})/`;
const WEB = {
  group: [
    '@knapsack/server',
    '@knapsack/cli',
    '@knapsack/contract/schemas',
    'joi',
    'node:*',
    'express',
    'typeorm',
    ROOM('server'),
    ROOM('cli'),
  ],
  message: 'web speaks to the server over HTTP; the schemas of Joi stay there.',
};
const web = (files, patterns) => ({
  files: [files],
  ...(patterns.length > 0 && { ignores: ['**/*.spec.ts', '**/trip/rooms.ts', '**/trip/room-signs.ts'] }),
  rules: { 'no-restricted-imports': ['error', { patterns: [WEB, ...patterns] }] },
});

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '**/node_modules/**',
      '**/.angular/**',
      '.mutation/**',
      '**/test-results/**',
      '**/playwright-report/**',
    ],
  },
  js.configs.recommended,
  {
    files: ['**/*.ts'],
    extends: [...tseslint.configs.strict, ...tseslint.configs.stylistic],
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-extraneous-class': 'off',
      '@typescript-eslint/no-invalid-void-type': 'off',
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', ignoreRestSiblings: true }],
    },
  },
  {
    files: ['web/src/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      '@angular-eslint/component-class-suffix': ['error', { suffixes: ['Component', 'Page', 'Dialog'] }],
      '@angular-eslint/prefer-on-push-component-change-detection': 'error',
      '@typescript-eslint/consistent-type-imports': 'off',
    },
  },
  {
    files: ['web/src/**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
  },
  {
    files: ['**/*.mjs', '**/*.cjs'],
    languageOptions: { globals: { ...globals.node, ...globals.browser } },
  },
  { files: ['**/*.spec.mjs', 'scripts/spec-settings.mjs'], languageOptions: { globals: globals.jasmine } },
  forbid(
    'core/src/**/*.ts',
    [
      '@knapsack/*',
      'node:*',
      '@angular/*',
      'rxjs',
      'joi',
      'express',
      'typeorm',
      'chart.js',
      ROOM('server'),
      ROOM('web'),
      ROOM('cli'),
    ],
    'core computes and imports nothing but small pure libraries.',
    ['**/*.spec.ts', '**/testing/**'],
  ),
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.spec.ts', '**/testing/**'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'core has no clock: take the instant as an argument.' },
        {
          object: 'Math',
          property: 'random',
          message: 'core has no chance of its own: take a seeded generator.',
        },
      ],
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'process',
        'fetch',
        'setTimeout',
        'performance',
      ],
    },
  },
  forbid(
    'contract/src/**/*.ts',
    [
      '@knapsack/server',
      '@knapsack/web',
      '@knapsack/cli',
      'node:*',
      '@angular/*',
      'express',
      'typeorm',
      ROOM('server'),
      ROOM('web'),
      ROOM('cli'),
    ],
    'contract stands on core alone.',
    ['**/*.spec.ts', '**/testing/**'],
  ),
  forbid(
    'server/src/**/*.ts',
    ['@knapsack/web', '@knapsack/cli', '@angular/*', ROOM('web'), ROOM('cli')],
    'server and web never import each other.',
  ),
  web('web/src/**/*.ts', []),
  // What rooms share knows no room; the table of rooms alone does, and their signs.
  web(`web/src/app/{${SHARED.join(',')}}/**/*.ts`, [
    { regex: toRooms(ROOMS), message: 'What rooms share imports no room: rooms stand on it.' },
  ]),
  web('web/src/app/{work,parts,data,shell}/**/*.ts', [
    { regex: toRooms(ROOMS), message: 'What rooms share imports no room: rooms stand on it.' },
    {
      regex: toRooms(['lanes', 'figures']),
      message: 'lanes and figures stand on parts, data, work and shell.',
    },
  ]),
  ...ROOMS.map((room) =>
    web(`web/src/app/${room}/**/*.ts`, [
      {
        regex: toRooms(ROOMS.filter((other) => other !== room)),
        message:
          'Rooms never import rooms: what two of them need stands in trip, lanes, figures, work, parts or data.',
      },
    ]),
  ),
  {
    // What the page takes from: a name that is given out by itself makes the build tool load all that such a file leads to.
    files: ['core/src/index.ts', 'contract/src/**/index.ts'],
    ignores: ['contract/src/schemas/**', 'contract/src/testing/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'ExportNamedDeclaration[exportKind!="type"]',
          message: 'Only "export * from" here (docs/decisions/045-a-phone-opens-a-trip.md).',
        },
      ],
    },
  },
  {
    files: ['cli/src/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            { group: ['@knapsack/web', '@angular/*', ROOM('web')], message: CLI_STANDS_ON },
            { regex: '^@knapsack/server(?!/(search|backup|reach)$)', message: CLI_STANDS_ON },
          ],
        },
      ],
    },
  },
  prettier,
);
