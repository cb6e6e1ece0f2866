import skipFormatting from '@vue/eslint-config-prettier/skip-formatting'
import { defineConfigWithVueTs, vueTsConfigs } from '@vue/eslint-config-typescript'
import pluginVue from 'eslint-plugin-vue'

/** What people read stands in texts/, so that it can stand there in another language. Not what is code: keys, styles, selectors,
 * bench notation, and names that the server sends. */
const TEXT = '[A-Za-z’]{2,}[,.:;…]? (of |a )?[a-z(“]{2,}|^(?!Enter$|Escape$|Tab$|Date$)[A-Z][a-z]+ ?…?$'
const CODE =
  'var\\(|[[=]|hover:|^board |^\\nbase half|\\] input$|belongs inside|^(to come|tag id|fits best|also fits|first time|my docket)$'
const TEXTS_ELSEWHERE = [
  {
    selector: `Literal[value=/${TEXT}/]:not([value=/${CODE}/])`,
    message: 'A text that people read belongs to src/texts.',
  },
  {
    selector: `TemplateElement[value.cooked=/[a-z]{2,}[,.:;…]? [a-z(“]{2,}|^[A-Z][a-z]+ | [a-z]{4,}$/]:not([value.cooked=/${CODE}|^verifex listen| --/])`,
    message: 'A text that people read belongs to src/texts.',
  },
]

/** What the platform calls something is no text of ours. */
const NO_TEXT = [
  {
    selector: 'BinaryExpression[left.property.name=/^(key|code)$/][right.object.name=/^(texts|common)$/]',
    message: 'A key is known by its own name, whatever the language.',
  },
]

/** Wordings that follow a number, things in a row, and languages named in passing: all belong to texts' language.ts. */
const WORDED_BY_HAND = [
  {
    selector:
      'ConditionalExpression[test.operator=/^[!=]==?$/][test.right.value=1][consequent.type=/Literal/]',
    message: 'Let the platform choose the plural: plural() or count() of @texts/language.',
  },
  {
    selector: 'Literal[value=/^[a-z]{2}-[A-Z]{2}$/]',
    message: 'The language of the texts is LANGUAGE of @texts/language.',
  },
  {
    selector: 'CallExpression[callee.property.name="join"] > Literal[value=/^ (and|or) $/]',
    message: 'Let the platform join things in a row: and() or or() of @texts/language.',
  },
]

/** Keys, signs, units and bench notation, which every language writes alike. */
const BARE = [
  ...'ABCDEFGHIJKLMNOPQRSTUVWXYZ1',
  ...'(){}[]+−–·…,.:;/×✓≠←→↑↓⇄°%*“”#?|◇=±',
  ...['s', 'ms', 'min', 'Ω', 'mA', '°C', 'dB', 'kB', 'Esc', '12'],
  ...['R1', '4k7', '390', '.8 a12 y', 'q b=c12 c=c11 e=c13', 'T-16 T-17 T-18', 'T 2026-09', 'xxxx-xxxx-xxxx'],
]
const TEXT_ATTRIBUTES = {
  '/.+/': [
    'title',
    'aria-label',
    'aria-placeholder',
    'aria-roledescription',
    'aria-valuetext',
    'alt',
    'label',
    'placeholder',
    'text',
    'act',
    'what',
  ],
}

/** Elements of the platform, and what stands for each of them here. */
const OF_THE_LIBRARY = {
  button: 'NButton, or LinkButton where it leads somewhere',
  input: 'TextField, NumberField, DateField, TimeField, FileField, SliderField, NCheckbox or NRadio',
  textarea: 'TextField with type="textarea"',
  select: 'ChoiceField',
  table: 'NTable or NDataTable',
  form: 'NForm',
  progress: 'NProgress',
  details: 'Unfold',
  dialog: 'Dialog of pieces/',
}

export default defineConfigWithVueTs(
  { name: 'files', files: ['src/**/*.{ts,vue}'] },
  { name: 'not ours', ignores: ['src/api/schema.d.ts', 'dist/**'] },
  pluginVue.configs['flat/recommended'],
  vueTsConfigs.recommended,
  {
    rules: {
      'vue/multi-word-component-names': 'off',
      'no-restricted-syntax': ['error', ...WORDED_BY_HAND, ...TEXTS_ELSEWHERE, ...NO_TEXT],
      'vue/no-restricted-syntax': ['error', ...WORDED_BY_HAND, ...TEXTS_ELSEWHERE, ...NO_TEXT],
      'vue/no-bare-strings-in-template': ['error', { allowlist: BARE, attributes: TEXT_ATTRIBUTES }],
    },
  },
  {
    name: 'where the texts are, and where styles are written as values',
    files: ['src/texts/**', 'src/look/**'],
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
  {
    name: 'controls and tables are the component library’s',
    files: ['src/**/*.vue'],
    // The table of leads is our own: its cells are typed through by keys, hundreds of them at once.
    ignores: ['src/pieces/hand-in/LeadTable.vue'],
    rules: {
      'vue/no-restricted-html-elements': [
        'error',
        ...Object.entries(OF_THE_LIBRARY).map(([element, own]) => ({ element, message: `Use ${own}.` })),
      ],
    },
  },
  skipFormatting,
)
