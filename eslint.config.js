import reactHooks from 'eslint-plugin-react-hooks';
import regexp from 'eslint-plugin-regexp';
import tseslint from 'typescript-eslint';

// Only what oxlint (.oxlintrc.json), which knows the types and takes seconds, does not have: the rules of React's hooks and compiler,
// and that no regular expression takes longer than in proportion to its input.
export default [
  { ignores: ['**/dist/**', '**/node_modules/**', '.cache/**', 'data/**', 'test-results/**'] },
  {
    ...reactHooks.configs.flat['recommended-latest'],
    files: ['web/**/*.{ts,tsx}'],
    languageOptions: { parser: tseslint.parser },
  },
  {
    files: ['{core,server,web}/src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.*', '**/testing/**'],
    plugins: { regexp },
    languageOptions: { parser: tseslint.parser },
    rules: {
      'regexp/no-super-linear-backtracking': 'error',
      'regexp/no-super-linear-move': 'error',
    },
  },
  {
    files: ['web/**/*.tsx'],
    languageOptions: { parser: tseslint.parser },
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector:
            'JSXOpeningElement[name.name=/^(Circular|Linear)Progress$/]:not(:has(JSXAttribute[name.name=/^aria-label(ledby)?$/]))',
          message: 'Say what is being waited for, in aria-label or aria-labelledby (or take parts/WorkingOut).',
        },
      ],
    },
  },
  // What people write is read a line at a time, and no line is longer than some hundred characters: to look for something at each of its
  // places is no more than in proportion to the text.
  { files: ['core/src/{reading,intake,format,quantity}/**'], rules: { 'regexp/no-super-linear-move': 'off' } },
];
