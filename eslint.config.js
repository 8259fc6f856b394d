import js from '@eslint/js';
import boundaries from 'eslint-plugin-boundaries';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

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
      { type: 'core', pattern: 'packages/core/**', partialMatch: false },
      { type: 'contract', pattern: 'packages/contract/**', partialMatch: false },
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
            allow: { to: { element: { type: ['server', 'contract', 'core'] } } },
          },
          {
            from: { element: { type: 'web' } },
            allow: { to: { element: { type: ['web', 'contract', 'core'] } } },
          },
          {
            from: { element: { type: 'standins' } },
            allow: { to: { element: { type: 'standins' } } },
          },
          {
            from: { element: { type: 'demo' } },
            allow: { to: { element: { type: ['demo', 'server', 'contract', 'core'] } } },
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
  { files: ['**/src/**/*.ts', '**/src/**/*.tsx', 'demo/*.ts'], ...walls },
  {
    // The clocks are injected; nothing in the core or the server asks the machine for the time itself.
    files: ['packages/core/src/**/*.ts', 'apps/server/src/**/*.ts'],
    ignores: ['apps/server/src/clock.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
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
      ],
    },
  },
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
