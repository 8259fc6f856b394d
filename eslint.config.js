import js from '@eslint/js';
import boundaries from 'eslint-plugin-boundaries';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/**
 * The features of the server and of the browser's part, each building on those before it alone.
 * What one needs of a later one is given to it, by whoever puts them together (start.ts, app/routes.tsx).
 */
export const FEATURE_ORDER = {
  server: [
    'audit',
    'school',
    'accounts',
    'passkey',
    'moveIn',
    'live',
    'audience',
    'group',
    'entry',
    'link',
    'slot',
    'programme',
    'plan',
    'mail',
    'classes',
    'post',
    'door',
    'desk',
    'evening',
    'checkIn',
    'signUp',
    'register',
    'afterLesson',
    'cover',
    'guest',
    'free',
    'poll',
    'appointment',
    'reach',
    'feed',
    'myDay',
    'find',
    'people',
    'signOn',
    'demo',
  ],
  web: [
    'school',
    'accounts',
    'lately',
    'words',
    'group',
    'entry',
    'link',
    'plan',
    'post',
    'evening',
    'door',
    'desk',
    'checkIn',
    'slot',
    'poll',
    'appointment',
    'free',
    'register',
    'reach',
    'feed',
    'elsewhere',
    'myDay',
    'find',
    'demo',
    'moveIn',
    'frame',
    'cover',
    'classes',
    'people',
  ],
};

const featureElements = (part) => ({
  type: `${part}-feature`,
  pattern: `apps/${part}/src/features/*/**`,
  partialMatch: false,
  capture: ['feature'],
});

/** From each feature to itself and to those before it. */
const featurePolicies = (part) =>
  FEATURE_ORDER[part].map((feature, i) => ({
    from: { element: { type: `${part}-feature`, captured: { feature } } },
    allow: {
      to: {
        element: {
          type: `${part}-feature`,
          captured: { feature: FEATURE_ORDER[part].slice(0, i + 1) },
        },
      },
    },
  }));

/** The house's walls: arrows point one way, and stand-ins share nothing with the server but what goes over the wire. */
export const walls = {
  plugins: { boundaries },
  settings: {
    'import/resolver': {
      typescript: {
        project: ['tsconfig.json', 'apps/web/tsconfig.json'],
        alwaysTryTypes: true,
        noWarnOnMultipleProjects: true,
      },
    },
    'boundaries/elements': [
      featureElements('server'),
      featureElements('web'),
      { type: 'core', pattern: 'packages/core/**', partialMatch: false },
      { type: 'contract', pattern: 'packages/contract/**', partialMatch: false },
      { type: 'devices', pattern: 'packages/devices/**', partialMatch: false },
      { type: 'server', pattern: 'apps/server/**', partialMatch: false },
      { type: 'web', pattern: 'apps/web/**', partialMatch: false },
      { type: 'standins', pattern: 'apps/standins/**', partialMatch: false },
      { type: 'demo', pattern: 'demo/**', partialMatch: false },
    ],
  },
  rules: {
    'boundaries/dependencies': [
      'error',
      {
        default: 'disallow',
        policies: [
          { from: { element: { type: 'core' } }, allow: { to: { element: { type: 'core' } } } },
          {
            from: { element: { type: 'contract' } },
            allow: { to: { element: { type: ['contract', 'core'] } } },
          },
          {
            from: { element: { type: 'server' } },
            allow: { to: { element: { type: ['server', 'server-feature', 'contract', 'core'] } } },
          },
          {
            from: { element: { type: 'server-feature' } },
            allow: { to: { element: { type: ['server', 'contract', 'core'] } } },
          },
          ...featurePolicies('server'),
          {
            from: { element: { type: 'web' } },
            allow: {
              to: { element: { type: ['web', 'web-feature', 'contract', 'core', 'devices'] } },
            },
          },
          {
            from: { element: { type: 'web-feature' } },
            allow: { to: { element: { type: ['web', 'contract', 'core', 'devices'] } } },
          },
          ...featurePolicies('web'),
          {
            from: { element: { type: 'standins' } },
            allow: { to: { element: { type: 'standins' } } },
          },
          {
            from: { element: { type: 'demo' } },
            allow: {
              to: { element: { type: ['demo', 'server', 'server-feature', 'contract', 'core'] } },
            },
          },
        ],
      },
    ],
  },
};

/** What only the types can tell: a promise nobody waits for, a question that has one answer. */
const typed = {
  files: ['**/*.ts', '**/*.tsx'],
  languageOptions: {
    parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname },
  },
  rules: {
    '@typescript-eslint/no-floating-promises': 'error',
    '@typescript-eslint/no-misused-promises': [
      'error',
      // React calls a handler and waits for nothing; what is refused stands in the answer of the mutation.
      { checksVoidReturn: { attributes: false } },
    ],
    '@typescript-eslint/no-unnecessary-condition': [
      'error',
      { allowConstantLoopConditions: 'always' },
    ],
  },
};

/**
 * How long and how branched code may be before it is split. Blank lines and comments cost nothing.
 * Tests are read one example at a time: only their files have a length.
 */
const limits = {
  'max-lines': ['error', { max: 350 }],
  'max-lines-per-function': ['error', { max: 60, skipComments: true, skipBlankLines: true }],
  complexity: ['error', 15],
  'max-params': ['error', 4],
  'no-nested-ternary': 'error',
};
const TESTS = ['**/test/**', 'e2e/**'];

/** What breaks a limit and reads better so, each with its reason. */
const ALLOWED = [
  // The order in which a door decides is one table, read from top to bottom; in pieces nobody could check it.
  { files: ['packages/core/src/entry/decideEntry.ts'], rules: { complexity: 'off' } },
  // Called for every date of every series: an object for its arguments costs a tenth of the time.
  { files: ['packages/core/src/time/zoneTable.ts'], rules: { 'max-params': 'off' } },
  // One line for each endpoint, and what it makes stale: a table that is looked up by name.
  { files: ['apps/web/src/app/api.ts'], rules: { 'max-lines-per-function': 'off' } },
];

/** What was begun before such a wait is nobody's while it lasts: where it fails meanwhile, the process ends. */
const ALL_BEGUN_FIRST = [
  {
    selector:
      "CallExpression[callee.object.name='Promise'][callee.property.name='all'] > ArrayExpression :matches(CallExpression > AwaitExpression, ArrayExpression > AwaitExpression)",
    message: 'Wait before Promise.all, not among what it waits for.',
  },
];
const ASK_A_CLOCK = [
  {
    selector: "CallExpression[callee.object.name='Date'][callee.property.name='now']",
    message: 'Ask a Clock.',
  },
  {
    selector: "NewExpression[callee.name='Date'][arguments.length=0]",
    message: 'Ask a Clock.',
  },
  {
    selector: "CallExpression[callee.object.name='Math'][callee.property.name='random']",
    message: 'Pass randomness in.',
  },
];

/** Asking the database itself. */
const ASK_THE_DATABASE = [
  {
    selector:
      "CallExpression[callee.property.name=/^(rows|one|change|prepared|define)$/]:matches([callee.object.name='db'], [callee.object.property.name='db'])",
    message: 'Write SQL in a .sql.ts beside the store; ask a model where one will do.',
  },
];
const ASK_THE_MODELS = [
  {
    selector: "MemberExpression[property.name='models']",
    message: 'Ask the models in a store.',
  },
];

/** Statements are written where their table is known: beside a feature's store, and in what the database itself is made of. */
const noSqlElsewhere = {
  files: ['apps/server/src/**/*.ts'],
  ignores: ['**/*.sql.ts', 'apps/server/src/db/**', 'apps/server/src/clock.ts'],
  rules: {
    'no-restricted-syntax': ['error', ...ALL_BEGUN_FIRST, ...ASK_A_CLOCK, ...ASK_THE_DATABASE],
  },
};

/** Models are asked in stores, and where a thing keeps its own table. */
const STORES = [
  '**/store.ts',
  '**/*Store.ts',
  '**/*.sql.ts',
  'apps/server/src/db/**',
  'apps/server/src/features/audience/linkPeople.ts',
  'apps/server/src/features/people/places.ts',
  'apps/server/src/http/browserSessions.ts',
  'apps/server/src/jobs/outbox.ts',
  'apps/server/src/clock.ts',
];
const noModelsElsewhere = {
  files: ['apps/server/src/**/*.ts'],
  ignores: STORES,
  rules: {
    'no-restricted-syntax': [
      'error',
      ...ALL_BEGUN_FIRST,
      ...ASK_A_CLOCK,
      ...ASK_THE_DATABASE,
      ...ASK_THE_MODELS,
    ],
  },
};

/** Parts of ours instead of the browser's own, sizes of text by their names, and one way to make a form. */
const OWN_PARTS = [
  {
    selector: "JSXOpeningElement[name.name='select']",
    message: 'Use ChoicePart or ChoiceBox of ui/choices.',
  },
  {
    selector:
      "JSXOpeningElement[name.name='input'] > JSXAttribute[name.name='type'] > Literal[value=/^(date|time|datetime-local|month|week|number)$/]",
    message: 'Use DateField, TimeField or NumberPart of ui/.',
  },
  {
    selector: ':matches(Literal[value=/text-\\[/], TemplateElement[value.raw=/text-\\[/])',
    message: 'Use a size or a colour of app/theme.css.',
  },
  {
    selector:
      "JSXOpeningElement[name.name='form'] > JSXAttribute[name.name='onSubmit'] > JSXExpressionContainer > :not(Identifier[name='submit'], MemberExpression[property.name='submit'])",
    message: 'Give a form the submit of app/useServerForm.',
  },
  {
    selector: "JSXOpeningElement[name.name='h1']",
    message: 'Use ScreenTitle of ui/, which names the tab too.',
  },
];
/** What is said stands in words.ts, a file a feature: read in one sitting, and said in other languages one day. */
const IN_WORDS = [
  'JSXText[value=/[A-Za-z]{2}/]',
  'JSXAttribute[name.name=/^(label|aria-label|title|placeholder|hint|tab)$/] > Literal[value=/^(?!https:).*[A-Za-z]{2}/]',
  'Literal[value=/^[A-Z][a-z’]+ [a-z]/]',
  'TemplateElement[value.raw=/^[A-Z][a-z’]+ [a-z]/]',
].map((selector) => ({ selector, message: 'Let words.ts of the feature say it.' }));
const ownParts = {
  files: ['apps/web/src/**/*.tsx', 'apps/web/src/**/*.ts'],
  rules: {
    'no-restricted-syntax': ['error', ...OWN_PARTS, ...IN_WORDS],
    'no-restricted-imports': [
      'error',
      {
        name: 'react-hook-form',
        importNames: ['useForm'],
        message: 'Make forms with app/useServerForm.',
      },
    ],
  },
};
/** The words themselves; and the page that shows every part in its states, which nobody is sent to. */
const saidThere = {
  files: ['apps/web/src/**/words.ts', 'apps/web/src/parts/*.tsx'],
  rules: { 'no-restricted-syntax': ['error', ...OWN_PARTS] },
};
/** Where those parts are made. */
const partsThemselves = {
  files: [
    'apps/web/src/ui/ScreenTitle.tsx',
    'apps/web/src/features/desk/SmallDesk.tsx',
    'apps/web/src/app/useServerForm.ts',
  ],
  rules: { 'no-restricted-syntax': 'off', 'no-restricted-imports': 'off' },
};

/** The demo school is made by what a user's click uses; only what lies in its past is set down in the database. */
const demoByServices = {
  files: ['demo/*.ts'],
  ignores: ['demo/history.ts'],
  rules: {
    'no-restricted-syntax': ['error', ...ASK_THE_DATABASE, ...ASK_THE_MODELS],
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          {
            group: ['**/store.js', '**/*Store.js', '**/*.sql.js'],
            message: 'Make the demo school through services.',
          },
        ],
      },
    ],
  },
};

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '**/node_modules/**',
      '.glen/**',
      'test-results/**',
      'playwright-report/**',
    ],
  },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  typed,
  {
    files: ['**/*.ts', '**/*.tsx'],
    rules: {
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
    },
  },
  { files: ['**/*.ts', '**/*.tsx', '**/*.mjs'], ignores: TESTS, rules: limits },
  // What a feature says is read in one sitting, however much it is.
  { files: ['**/words.ts'], rules: { 'max-lines': 'off' } },
  { files: TESTS, rules: { 'max-lines': ['error', { max: 500 }] } },
  ...ALLOWED,
  { files: ['**/src/**/*.ts', '**/src/**/*.tsx', 'demo/*.ts'], ...walls },
  {
    // The clocks are injected; nothing in the core or the server asks the machine for the time itself.
    files: ['packages/core/src/**/*.ts', 'apps/server/src/**/*.ts'],
    ignores: ['apps/server/src/clock.ts'],
    rules: {
      'no-restricted-syntax': ['error', ...ASK_A_CLOCK],
    },
  },
  noSqlElsewhere,
  noModelsElsewhere,
  demoByServices,
  ownParts,
  saidThere,
  partsThemselves,
  {
    files: ['apps/web/src/**/*.tsx', 'apps/web/src/**/*.ts'],
    plugins: { 'react-hooks': reactHooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    files: ['**/*.mjs', '**/*.js'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        setTimeout: 'readonly',
        clearTimeout: 'readonly',
        setInterval: 'readonly',
        clearInterval: 'readonly',
        fetch: 'readonly',
        URL: 'readonly',
        performance: 'readonly',
        structuredClone: 'readonly',
        requestAnimationFrame: 'readonly',
        window: 'readonly',
        document: 'readonly',
        navigator: 'readonly',
        AudioContext: 'readonly',
        EventSource: 'readonly',
        AbortSignal: 'readonly',
        AbortController: 'readonly',
        TextDecoder: 'readonly',
        URLSearchParams: 'readonly',
        Buffer: 'readonly',
      },
    },
  },
);
