import js from '@eslint/js'
import globals from 'globals'

// What the formatter does not say: nothing unused, nothing undefined, and lines that one can read.
export default [
    { ignores: ['node_modules/', 'vendor/', 'var/', 'public/'] },
    js.configs.recommended,
    {
        files: ['**/*.js', '**/*.mjs', '**/*.cjs'],
        languageOptions: { globals: { ...globals.browser, ...globals.node, ...globals.serviceworker } },
        rules: {
            // A string or a style sheet within one is not broken for its length.
            'max-len': ['error', { code: 120, ignoreUrls: true, ignoreStrings: true, ignoreTemplateLiterals: true }],
        },
    },
]
