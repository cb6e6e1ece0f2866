// The look for Naive UI's own parts, in both modes, from the same tokens as the style sheets.
import { useStorage } from '@vueuse/core'
import { darkTheme, type GlobalThemeOverrides } from 'naive-ui'
import { computed, watchEffect } from 'vue'

export const mode = useStorage<'light' | 'dark'>('verifex-mode', 'light')

watchEffect(() => {
  document.documentElement.dataset.theme = mode.value
})

export const naiveTheme = computed(() => (mode.value === 'dark' ? darkTheme : null))

export const naiveOverrides = computed<GlobalThemeOverrides>(() => {
  const dark = mode.value === 'dark'
  const act = dark ? '#a9abf2' : '#33358f'
  return {
    common: {
      fontFamily: "'Commissioner Variable', system-ui, sans-serif",
      fontFamilyMono: "'JetBrains Mono Variable', monospace",
      primaryColor: act,
      primaryColorHover: dark ? '#bfc1f7' : '#4547a8',
      primaryColorPressed: dark ? '#9092e0' : '#26286f',
      primaryColorSuppl: act,
      borderRadius: '5px',
      bodyColor: dark ? '#171a21' : '#f4f1ea',
      cardColor: dark ? '#20242d' : '#fffdf8',
      modalColor: dark ? '#20242d' : '#fffdf8',
      popoverColor: dark ? '#2a2f3a' : '#fffdf8',
      textColorBase: dark ? '#ece8de' : '#1f2430',
      errorColor: dark ? '#ff9db2' : '#9d1238',
    },
  }
})

export function toggleMode() {
  mode.value = mode.value === 'dark' ? 'light' : 'dark'
}

/** A token's value now, for drawings that take colours as text. */
export function token(name: string): string {
  return getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim()
}
