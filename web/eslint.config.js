import skipFormatting from '@vue/eslint-config-prettier/skip-formatting'
import { defineConfigWithVueTs, vueTsConfigs } from '@vue/eslint-config-typescript'
import pluginVue from 'eslint-plugin-vue'

export default defineConfigWithVueTs(
  { name: 'files', files: ['src/**/*.{ts,vue}'] },
  { name: 'not ours', ignores: ['src/api/schema.d.ts', 'dist/**'] },
  pluginVue.configs['flat/recommended'],
  vueTsConfigs.recommended,
  { rules: { 'vue/multi-word-component-names': 'off' } },
  skipFormatting,
)
