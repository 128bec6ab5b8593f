import js from '@eslint/js'
import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import { defineConfig } from 'eslint/config'
import ts from 'typescript-eslint'

export default defineConfig(
  { ignores: ['dist/**', 'public/**', 'src/api/schema.d.ts', 'src/components.d.ts'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...vue.configs['flat/recommended'],
  {
    files: ['**/*.vue', '**/*.ts'],
    languageOptions: { parserOptions: { parser: ts.parser } },
    rules: { 'no-undef': 'off', 'vue/multi-word-component-names': 'off' },
  },
  {
    // A feature is a page or a job; what two of them need lives in a room of its own.
    files: [
      'src/features/**',
      'src/elevation/**',
      'src/pad/**',
      'src/line/**',
      'src/sound/**',
      'src/forms/**',
      'src/options/**',
      'src/families/**',
      'src/shared/**',
    ],
    rules: { 'no-restricted-imports': ['error', { patterns: ['@/features/*', '**/features/*'] }] },
  },
  {
    // Rooms stand on each other in one direction: shared, then elevation and forms, then families, then options.
    files: ['src/shared/**', 'src/elevation/**', 'src/forms/**', 'src/pad/**', 'src/line/**', 'src/sound/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: ['@/features/*', '**/features/*', '@/options/*', '@/families/*'] },
      ],
    },
  },
  prettier,
)
