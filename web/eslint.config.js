import js from '@eslint/js';
import i18next from 'eslint-plugin-i18next';
import a11y from 'eslint-plugin-jsx-a11y';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  { ignores: ['dist', 'src/api/schema.d.ts', 'node_modules'] },
  js.configs.recommended,
  ...tseslint.configs.strictTypeChecked.map((config) => ({ ...config, files: ['src/**/*.{ts,tsx}', 'worker/*.ts'] })),
  { files: ['worker/*.ts'], languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } } },
  { files: ['scripts/*.mjs'], languageOptions: { globals: { URL: 'readonly', console: 'readonly', process: 'readonly' } } },
  {
    files: ['src/**/*.{ts,tsx}'],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    plugins: { 'react-hooks': hooks, 'jsx-a11y': a11y, i18next },
    rules: {
      ...hooks.configs.recommended.rules,
      ...a11y.flatConfigs.recommended.rules,
      // Words of the page are said, so that a language file can replace them; the product's name and file formats are no words.
      'i18next/no-literal-string': [
        'error',
        {
          mode: 'jsx-only',
          'jsx-attributes': { include: ['label', 'aria-label', 'title', 'placeholder', 'alt', 'word', 'hint'] },
          words: { exclude: ['^Able Mend$', '^SVG$', '^[^a-z]*$', '^(mm|m|u|&nbsp;)$'] },
        },
      ],
      // The layers know what is there: an index that was just looked up needs no second proof.
      '@typescript-eslint/no-non-null-assertion': 'off',
      // A handler in one line says what it does; that what it does gives nothing back misleads nobody.
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      // A label may hold a component of our own that renders the control.
      'jsx-a11y/label-has-associated-control': ['error', { assert: 'either' }],
    },
  },
);
