import tseslint from 'typescript-eslint';
import reactHooks from 'eslint-plugin-react-hooks';

export default tseslint.config(
  { ignores: ['target/**', 'node_modules/**', 'src/api/schema.ts'] },
  ...tseslint.configs.recommended,
  reactHooks.configs.flat['recommended-latest'],
  {
    linterOptions: { reportUnusedDisableDirectives: 'error' },
    rules: { 'max-lines': ['error', 400] },
  },
);
