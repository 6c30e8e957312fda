import angular from 'angular-eslint';
import prettier from 'eslint-config-prettier';
import tseslint from 'typescript-eslint';

// The arrows of docs/ARCHITECTURE.md: what each room may import. A new arrow is a design decision, written there first.
const leaves = ['core/result', 'core/format', 'core/scale', 'core/label', 'core/glyph'];
const rooms = {
  'core/result': [],
  'core/format': [],
  'core/scale': [],
  'core/label': [],
  'core/glyph': [],
  'core/table': ['core/result', 'core/format'],
  'core/formula': ['core/table', ...leaves],
  'core/frame': ['core/formula', 'core/table', ...leaves],
  'core/cue': ['core/frame', 'core/formula', 'core/table', ...leaves],
  'core/project': ['core/cue', 'core/frame', 'core/formula', 'core/table', ...leaves],
  'core/document': ['core/project', 'core/frame', 'core/formula', 'core/table', ...leaves],
  'core/io': ['core/project', 'core/frame', 'core/table', ...leaves],
  'core/plan': ['core/project', 'core/cue', 'core/frame', 'core/formula', 'core/table', ...leaves],
  plot: ['core/*'],
  app: ['core/*', 'plot'],
  server: ['core/*', 'plot'],
  cli: ['core/*', 'plot'],
  demo: ['core/*'],
};

const allRooms = Object.keys(rooms);

function arrowRule([room, allowed]) {
  const may = name => name === room || allowed.includes(name) || (allowed.includes('core/*') && name.startsWith('core/'));
  const forbidden = allRooms.filter(name => !may(name));
  // By its entry, by a path into it, or by climbing out of this room.
  const outside = name => {
    const folder = name.split('/').at(-1);
    return [name, `**/${name}/**`, `../${folder}`, `../${folder}/**`, `../../${folder}`, `../../${folder}/**`];
  };
  const patterns = [
    { group: forbidden.flatMap(outside).concat('!./**'), message: `${room} must not know this room (docs/ARCHITECTURE.md).` },
  ];
  return {
    files: [`${room}/**/*.ts`],
    rules: { 'no-restricted-imports': ['error', { patterns: forbidden.length ? patterns : [] }] },
  };
}

export default tseslint.config(
  { ignores: ['dist/', 'node_modules/', '.angular/', '.cache/', 'core/formula/grammar.*', 'test-results/'] },
  {
    files: ['**/*.ts'],
    extends: [...tseslint.configs.recommendedTypeChecked, ...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    languageOptions: { parserOptions: { project: ['./tsconfig.eslint.json', './tsconfig.worker.json'] } },
    rules: {
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
  { files: ['**/*.html'], extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility] },
  {
    files: ['**/*.spec.ts', 'e2e/**/*.ts'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off', '@typescript-eslint/unbound-method': 'off' },
  },
  ...Object.entries(rooms).map(arrowRule),
  prettier,
);
