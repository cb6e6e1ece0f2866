// Light or dark: the system's setting unless the reader chose. The colours have one source, tokens.css; what Naive UI and
// the drawings need of them is read from there.
import { usePreferredDark, useStorage } from '@vueuse/core'
import { darkTheme, type GlobalThemeOverrides } from 'naive-ui'
import { computed, shallowRef, watch } from 'vue'

export type Mode = 'system' | 'light' | 'dark'
export const mode = useStorage<Mode>('verifex-mode', 'system')
const systemIsDark = usePreferredDark()
export const isDark = computed(() => (mode.value === 'system' ? systemIsDark.value : mode.value === 'dark'))

/** A token's value now, for what takes colours as text. */
export function token(name: string): string {
  return getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim()
}

function overrides(): GlobalThemeOverrides {
  return {
    common: {
      fontFamily: token('text'),
      fontFamilyMono: token('mono'),
      primaryColor: token('act'),
      primaryColorHover: token('act'),
      primaryColorPressed: token('act'),
      primaryColorSuppl: token('act'),
      borderRadius: '5px',
      bodyColor: token('ground'),
      cardColor: token('sheet'),
      modalColor: token('sheet'),
      popoverColor: token('sheet'),
      inputColor: token('sheet'),
      borderColor: token('pad'),
      textColorBase: token('ink'),
      textColor1: token('ink'),
      textColor2: token('ink'),
      textColor3: token('soft'),
      placeholderColor: token('faint'),
      errorColor: token('stop'),
      successColor: token('good'),
      warningColor: token('fix'),
    },
  }
}

export const naiveOverrides = shallowRef<GlobalThemeOverrides>({})
watch(
  isDark,
  (dark) => {
    document.documentElement.dataset.theme = dark ? 'dark' : 'light'
    naiveOverrides.value = overrides()
  },
  { immediate: true, flush: 'sync' },
)
export const naiveTheme = computed(() => (isDark.value ? darkTheme : null))
