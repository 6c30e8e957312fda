import angular from 'angular-eslint';
import prettier from 'eslint-config-prettier';
import tseslint from 'typescript-eslint';
import house from './tools/lint/house.mjs';

export default tseslint.config(
  { ignores: ['dist/', 'node_modules/', '.angular/', '.cache/', 'core/formula/grammar.*', 'test-results/'] },
  {
    files: ['**/*.ts'],
    extends: [...tseslint.configs.recommendedTypeChecked, ...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    languageOptions: { parserOptions: { project: ['./tsconfig.eslint.json', './tsconfig.worker.json'] } },
    plugins: { house },
    rules: {
      'house/arrows': 'error',
      'house/documented': 'error',
      'house/no-circle': 'error',
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true, allowBoolean: true }],
      '@angular-eslint/prefer-on-push-component-change-detection': 'error',
      '@angular-eslint/component-selector': 'off',
      '@angular-eslint/directive-selector': 'off',
      'no-eval': 'error',
      'no-new-func': 'error',
      'max-lines': ['error', { max: 300, skipBlankLines: true, skipComments: true }],
      eqeqeq: 'error',
    },
  },
  {
    files: ['{app,core,plot,engine,handover,headless,server,cli}/**/*.ts'],
    ignores: ['core/stages/**', '**/*.spec.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "NewExpression[callee.name='WeakMap']",
          message: 'What is kept by identity is kept by core/stages (oncePer, lastPer, keptPer).',
        },
      ],
    },
  },
  { files: ['**/*.html'], extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility] },
  {
    files: ['**/*.spec.ts', 'e2e/**/*.ts'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off', '@typescript-eslint/unbound-method': 'off' },
  },
  prettier,
);
