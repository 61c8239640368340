import js from '@eslint/js';
import a11y from 'eslint-plugin-jsx-a11y';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

const date = { name: 'Date', message: 'Civil time is Temporal’s: see resources/js/time.' };

export default ts.config(
    { ignores: ['resources/js/api/generated'] },
    js.configs.recommended,
    ...ts.configs.recommendedTypeChecked,
    a11y.flatConfigs.recommended,
    hooks.configs.flat.recommended,
    {
        languageOptions: { parserOptions: { projectService: true } },
        rules: {
            // A form or panel that opens by one's own doing takes the focus: that is where the reader is.
            'jsx-a11y/no-autofocus': 'off',
            'no-restricted-globals': ['error', date],
        },
    },
    {
        files: ['resources/**'],
        ignores: ['resources/js/offline/storage.ts'],
        rules: { 'no-restricted-globals': ['error', date, { name: 'localStorage', message: 'Not every browser keeps anything: see resources/js/offline/storage.ts.' }] },
    },
);
