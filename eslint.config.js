import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

// Only the rules of React's hooks and compiler: oxlint, which knows the types and takes seconds, checks everything else (.oxlintrc.json).
export default [
  { ignores: ['**/dist/**', '**/node_modules/**', '.cache/**', 'data/**', 'test-results/**'] },
  {
    ...reactHooks.configs.flat['recommended-latest'],
    files: ['web/**/*.{ts,tsx}'],
    languageOptions: { parser: tseslint.parser },
  },
];
