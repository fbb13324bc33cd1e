// @ts-check
import angular from 'angular-eslint';
import tseslint from 'typescript-eslint';
import { defineConfig, globalIgnores } from 'eslint/config';

/** What Node and Chromium compute with different last bits: core uses quantity/portable-math instead (spine rule 6). */
/** `import * as z` leaves out what is not used; the object `z` brings every language of the library along (350 kB). */
const WHOLE_ZOD = {
  selector: "ImportDeclaration[source.value='zod'] > ImportSpecifier[imported.name='z']",
  message: "Write `import * as z from 'zod'`.",
};
const UNPORTABLE = [
  'exp',
  'log',
  'log2',
  'log10',
  'log1p',
  'expm1',
  'pow',
  'sin',
  'cos',
  'tan',
  'asin',
  'acos',
  'atan',
  'atan2',
  'sinh',
  'cosh',
  'tanh',
  'asinh',
  'acosh',
  'atanh',
  'cbrt',
  'hypot',
  'random',
];

export default defineConfig(
  globalIgnores(['**/dist/', '**/.angular/', '.tsbuild/', '.data/', '**/.out/', '**/test-results/', '**/*.cjs', '**/*.mjs']),
  {
    files: ['**/*.ts'],
    extends: [tseslint.configs.strictTypeChecked, tseslint.configs.stylisticTypeChecked],
    languageOptions: {
      parserOptions: {
        project: [
          'core/tsconfig.json',
          'core/tsconfig.spec.json',
          'contract/tsconfig.json',
          'contract/tsconfig.spec.json',
          'server/tsconfig.json',
          'server/tsconfig.spec.json',
          'scripts/tsconfig.json',
          'e2e/tsconfig.json',
          'web/tsconfig.app.json',
          'web/tsconfig.worker.json',
          'web/tsconfig.spec.json',
        ],
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true, allowBoolean: true, allowNullish: true }],
      '@typescript-eslint/no-confusing-void-expression': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-unused-expressions': ['error', { allowTernary: true, allowShortCircuit: true }],
      '@typescript-eslint/consistent-type-definitions': 'off',
      '@typescript-eslint/no-meaningless-void-operator': 'off',
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/no-invalid-void-type': 'off',
      '@typescript-eslint/no-misused-spread': 'off',
      'no-sequences': 'off',
      // Keys of records are data here, not properties; assertions to a named type say more than a bang.
      // Material takes its dialog settings as plain objects.
      '@typescript-eslint/no-unsafe-class-instance-assignment': 'off',
      '@typescript-eslint/dot-notation': 'off',
      '@typescript-eslint/non-nullable-type-assertion-style': 'off',
    },
  },
  {
    files: ['{contract,server,web}/src/**/*.ts'],
    rules: { 'no-restricted-syntax': ['error', WHOLE_ZOD] },
  },
  {
    files: ['web/src/app/{job,product,shared,drawings,orders}/**/*.ts'],
    ignores: ['**/*.spec.ts', '**/*.fixture.ts'],
    rules: {
      '@typescript-eslint/no-restricted-imports': [
        'error',
        {
          paths: [
            {
              name: '@druckerei/core/planning',
              allowTypeImports: true,
              message: 'A page of a job does not load what plans: ask the plan worker.',
            },
          ],
        },
      ],
    },
  },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts', '**/*.fixture.ts'],
    rules: {
      'no-restricted-imports': ['error', { patterns: ['node:*', '@angular/*', '@druckerei/*'] }],
      'no-restricted-properties': [
        'error',
        ...UNPORTABLE.map((property) => ({
          object: 'Math',
          property,
          message: 'Not the same to the last bit in every engine: use quantity/portable-math.',
        })),
        { object: 'Date', property: 'now', message: 'Core has no clock: the time comes in with the shelf.' },
      ],
      'no-restricted-syntax': [
        'error',
        WHOLE_ZOD,
        {
          selector: 'BinaryExpression[operator="**"]',
          message: 'Not the same to the last bit in every engine: multiply, or use quantity/portable-math.',
        },
        { selector: 'AssignmentExpression[operator="**="]', message: 'Use quantity/portable-math.' },
      ],
    },
  },
  {
    files: ['server/src/**/*.ts'],
    ignores: ['**/*.test.ts', '**/*.fixture.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        WHOLE_ZOD,
        {
          selector: 'CallExpression[typeArguments] > MemberExpression.callee[property.name="query"]',
          message: 'A type is no check: read rows through one, maybeOne or many of db/rows, with a schema.',
        },
      ],
    },
  },
  {
    files: ['**/*.test.ts', '**/*.spec.ts', '**/*.fixture.ts', 'e2e/**/*.ts'],
    rules: Object.fromEntries(
      [
        'no-non-null-assertion',
        'no-unsafe-assignment',
        'no-unsafe-argument',
        'no-unsafe-member-access',
        'no-unsafe-call',
        'no-unsafe-return',
        'require-await',
        'no-require-imports',
        'no-empty-function',
        'no-base-to-string',
        'unbound-method',
      ].map((r) => [`@typescript-eslint/${r}`, 'off']),
    ),
  },
  {
    files: ['web/**/*.ts'],
    extends: [angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      '@typescript-eslint/no-extraneous-class': ['error', { allowWithDecorator: true }],
      '@typescript-eslint/unbound-method': 'off',
      '@angular-eslint/prefer-on-push-component-change-detection': 'error',
      '@angular-eslint/component-selector': ['error', { type: 'element', prefix: 'dk', style: 'kebab-case' }],
    },
  },
  {
    files: ['web/**/*.html'],
    extends: [angular.configs.templateRecommended, angular.configs.templateAccessibility],
    rules: { '@angular-eslint/template/click-events-have-key-events': 'off', '@angular-eslint/template/interactive-supports-focus': 'off' },
  },
);
