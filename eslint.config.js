import tseslint from 'typescript-eslint';

export default tseslint.config(tseslint.configs.recommended, {
    files: ['resources/js/**/*.{ts,tsx}'],
    rules: {
        eqeqeq: 'error',
        'no-console': 'error',
        'prefer-const': 'error',
    },
});
