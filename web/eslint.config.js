import skipFormatting from '@vue/eslint-config-prettier/skip-formatting'
import { defineConfigWithVueTs, vueTsConfigs } from '@vue/eslint-config-typescript'
import pluginVue from 'eslint-plugin-vue'

/** Wordings that follow a number, and languages named in passing: both belong to shared/language.ts. */
const WORDED_BY_HAND = [
  {
    selector:
      'ConditionalExpression[test.operator=/^[!=]==?$/][test.right.value=1][consequent.type=/Literal/]',
    message: 'Let the platform choose the plural: plural() or count() of shared/language.ts.',
  },
  {
    selector: 'Literal[value=/^[a-z]{2}-[A-Z]{2}$/]',
    message: 'The language of the texts is LANGUAGE of shared/language.ts.',
  },
]

export default defineConfigWithVueTs(
  { name: 'files', files: ['src/**/*.{ts,vue}'] },
  { name: 'not ours', ignores: ['src/api/schema.d.ts', 'dist/**'] },
  pluginVue.configs['flat/recommended'],
  vueTsConfigs.recommended,
  {
    rules: {
      'vue/multi-word-component-names': 'off',
      'no-restricted-syntax': ['error', ...WORDED_BY_HAND],
      'vue/no-restricted-syntax': ['error', ...WORDED_BY_HAND],
    },
  },
  {
    name: 'where the language is',
    files: ['src/shared/language.ts'],
    rules: { 'no-restricted-syntax': 'off' },
  },
  {
    name: 'places ask through composables',
    files: ['src/**/*.vue'],
    rules: {
      'no-restricted-imports': [
        'error',
        { name: '@tanstack/vue-query', message: 'Ask through a composable of queries/, act through useAct.' },
      ],
    },
  },
  skipFormatting,
)
