import jsxA11y from 'eslint-plugin-jsx-a11y';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
    tseslint.configs.recommended,
    reactHooks.configs.flat['recommended-latest'],
    jsxA11y.flatConfigs.recommended,
    {
        files: ['resources/js/**/*.{ts,tsx}'],
        rules: {
            eqeqeq: 'error',
            'max-lines-per-function': ['error', { max: 70, skipBlankLines: true, skipComments: true }],
            'max-len': [
                'error',
                {
                    code: 120,
                    ignoreStrings: true,
                    ignoreTemplateLiterals: true,
                    ignoreRegExpLiterals: true,
                    ignorePattern: 'eslint-disable',
                },
            ],
            'no-console': 'error',
            'prefer-const': 'error',
        },
    },
    { files: ['resources/js/tests/**'], rules: { 'max-lines-per-function': 'off' } },
    { files: ['resources/js/api/generated.ts'], rules: { 'max-len': 'off' } },
);
