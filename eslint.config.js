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
  {
    // Lists hand their option on as a second argument: whoever takes two would take it for something else.
    files: ['resources/js/**/*.tsx'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector:
            "JSXOpeningElement[name.name=/^(Select|AutoComplete|Cascader|TreeSelect|Segmented|Switch|InputNumber|Slider)$/] > JSXAttribute[name.name='onChange'] > JSXExpressionContainer > :matches(Identifier, MemberExpression)",
          message: 'Hand on the value alone: onChange={(v) => set(v)}.',
        },
      ],
    },
  },
);
