import i18next from 'eslint-plugin-i18next';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

export default ts.config(
  { ignores: ['resources/js/api/schema.d.ts', 'public/**', 'vendor/**'] },
  ...ts.configs.recommended,
  hooks.configs.flat['recommended-latest'],
  { rules: { '@typescript-eslint/no-explicit-any': 'error', 'no-console': 'error', eqeqeq: 'error' } },
  {
    // What is read stands in the catalogue: resources/js/words.
    files: ['resources/js/**/*.tsx'],
    ignores: ['resources/js/**/*.test.tsx', 'resources/js/testing*.tsx'],
    plugins: { i18next },
    rules: {
      'i18next/no-literal-string': [
        'error',
        {
          mode: 'jsx-text-only',
          words: { exclude: ['[^A-Za-z]*', '~?[A-Z]!?', 'Hollin', '[^A-Za-z]*V[^A-Za-z]*', 'A', 'Ah', 'W', 'kg', 'r'] },
        },
      ],
    },
  },
);
