import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

export default ts.config(
  { ignores: ['resources/js/api/schema.d.ts', 'public/**', 'vendor/**'] },
  ...ts.configs.recommended,
  hooks.configs.flat['recommended-latest'],
  { rules: { '@typescript-eslint/no-explicit-any': 'error', 'no-console': 'error', eqeqeq: 'error' } },
);
