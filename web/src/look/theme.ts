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

/** Two colours of the look, mixed: so much of the first. */
function mixed(first: string, share: number, second: string): string {
  const part = (of: string, at: number) => parseInt(of.slice(1 + 2 * at, 3 + 2 * at), 16)
  const both = [0, 1, 2].map((at) => Math.round(share * part(first, at) + (1 - share) * part(second, at)))
  return `#${both.map((value) => value.toString(16).padStart(2, '0')).join('')}`
}

/** What all components share must be colours by themselves, since the library mixes others of them; what one component takes
 * alone is a token, and so is right on paper too. */
function overrides(): GlobalThemeOverrides {
  // Where the styles did not load, the library's own look is better than none.
  if (!token('act')) return {}
  const [act, actBg] = [token('act'), token('act-bg')]
  const [ink, soft, faint, pad, line] = [
    token('ink'),
    token('soft'),
    token('faint'),
    token('pad'),
    token('line'),
  ]
  const [sheet, sunk, stop] = [token('sheet'), token('sunk'), token('stop')]
  const lighter = mixed(act, 0.88, sheet)
  return {
    common: {
      fontFamily: token('text'),
      fontFamilyMono: token('mono'),
      fontSize: '15px',
      fontSizeSmall: '14px',
      fontSizeMedium: '15px',
      fontWeightStrong: '640',
      lineHeight: '1.42',
      heightSmall: '30px',
      heightMedium: '36px',
      heightLarge: '44px',
      primaryColor: act,
      primaryColorHover: lighter,
      primaryColorPressed: act,
      primaryColorSuppl: act,
      borderRadius: '5px',
      bodyColor: token('ground'),
      cardColor: sheet,
      modalColor: sheet,
      popoverColor: sheet,
      tableColor: sheet,
      inputColor: sheet,
      inputColorDisabled: sunk,
      borderColor: pad,
      dividerColor: line,
      hoverColor: actBg,
      textColorBase: ink,
      textColor1: ink,
      textColor2: ink,
      textColor3: soft,
      textColorDisabled: faint,
      placeholderColor: faint,
      placeholderColorDisabled: faint,
      iconColor: soft,
      errorColor: stop,
      errorColorHover: stop,
      errorColorPressed: stop,
      successColor: token('good'),
      warningColor: token('fix'),
    },
    Card: {
      color: 'var(--sheet)',
      colorModal: 'var(--sheet)',
      textColor: 'var(--ink)',
      titleTextColor: 'var(--ink)',
      borderColor: 'var(--line)',
      borderRadius: '8px',
      lineHeight: '1.42',
      boxShadow: 'none',
      paddingSmall: '12px 16px',
      paddingMedium: '16px 18px',
      paddingLarge: '22px 24px',
      fontSizeSmall: '15px',
      fontSizeMedium: '15px',
      fontSizeLarge: '15px',
    },
    Descriptions: {
      thColor: 'transparent',
      thColorModal: 'transparent',
      tdColor: 'transparent',
      tdColorModal: 'transparent',
      borderColor: 'var(--line)',
      borderColorModal: 'var(--line)',
      thTextColor: 'var(--soft)',
      tdTextColor: 'var(--ink)',
      thFontWeight: '400',
      thPaddingBorderedSmall: '5px 12px',
      tdPaddingBorderedSmall: '5px 12px',
      fontSizeSmall: '15px',
    },
    Flex: { gapSmall: '8px', gapMedium: '12px', gapLarge: '16px' },
    Button: {
      fontWeight: '600',
      fontSizeMedium: '14.5px',
      paddingMedium: '0 14px',
      textColorPrimary: 'var(--act-ink)',
      textColorHoverPrimary: 'var(--act-ink)',
      textColorPressedPrimary: 'var(--act-ink)',
      textColorFocusPrimary: 'var(--act-ink)',
      colorFocusPrimary: 'var(--act)',
      opacityDisabled: '1',
      colorDisabledPrimary: 'var(--sunk)',
      textColorDisabledPrimary: 'var(--faint)',
      borderDisabledPrimary: '1px solid var(--line)',
      textColorGhostDisabledPrimary: 'var(--faint)',
      textColorTextDisabledPrimary: 'var(--faint)',
      textColorTextPrimary: 'var(--act)',
      rippleDuration: '0s',
    },
    Input: {
      border: '1px solid var(--pad)',
      borderHover: '1px solid var(--act)',
      borderFocus: '1px solid var(--act)',
      boxShadowFocus: 'none',
      borderDisabled: '1px solid var(--line)',
      textColorDisabled: 'var(--soft)',
      paddingMedium: '0 9px',
      borderError: '1px solid var(--stop)',
      boxShadowFocusError: 'none',
    },
    InternalSelection: {
      border: '1px solid var(--pad)',
      borderHover: '1px solid var(--act)',
      borderFocus: '1px solid var(--act)',
      borderActive: '1px solid var(--act)',
      boxShadowFocus: 'none',
      boxShadowActive: 'none',
      paddingSingle: '0 26px 0 9px',
    },
    InternalSelectMenu: {
      optionHeightMedium: '36px',
      optionCheckColor: 'var(--act)',
      optionTextColorActive: 'var(--act)',
    },
    Checkbox: {
      textColor: 'var(--ink)',
      border: '1.5px solid var(--pad)',
      borderFocus: '1.5px solid var(--act)',
      boxShadowFocus: 'none',
      sizeMedium: '17px',
      checkMarkColor: 'var(--act-ink)',
      labelPadding: '0 0 0 8px',
    },
    Radio: { textColor: 'var(--ink)', boxShadow: 'inset 0 0 0 1.5px var(--pad)', labelPadding: '0 0 0 8px' },
    Form: {
      blankHeightMedium: 'auto',
      labelHeightMedium: 'auto',
      labelFontSizeTopMedium: '14px',
      labelFontSizeLeftMedium: '14px',
      labelFontWeight: '600',
      labelPaddingVertical: '0 0 4px 0',
      labelPaddingHorizontal: '0 10px 0 0',
      labelTextAlignVertical: 'left',
      labelTextColor: 'var(--ink)',
      feedbackFontSizeMedium: '14px',
      feedbackHeightMedium: '22px',
      feedbackPadding: '3px 0 0',
    },
    Table: {
      tdTextColor: 'var(--ink)',
      borderColor: 'var(--line)',
      thColor: 'transparent',
      tdColor: 'transparent',
      thTextColor: 'var(--soft)',
      thFontWeight: '560',
      fontSizeSmall: '15px',
      thPaddingSmall: '5px 8px',
      tdPaddingSmall: '7px 8px',
    },
    DataTable: {
      borderColor: 'var(--line)',
      thColor: 'var(--sheet)',
      tdColor: 'var(--sheet)',
      tdColorHover: 'var(--act-bg)',
      tdColorSorting: 'var(--sheet)',
      thColorSorting: 'var(--sheet)',
      thColorHover: 'var(--act-bg)',
      thTextColor: 'var(--soft)',
      thFontWeight: '560',
      thPaddingSmall: '6px 8px',
      tdPaddingSmall: '7px 8px',
      fontSizeSmall: '15px',
      thIconColor: 'var(--soft)',
      thIconColorActive: 'var(--act)',
    },
    Tabs: {
      tabBorderColor: 'transparent',
      tabTextColorLine: 'var(--soft)',
      tabTextColorActiveLine: 'var(--ink)',
      tabTextColorHoverLine: 'var(--act)',
      tabFontWeightActive: '660',
      tabGapMediumLine: '18px',
      tabPaddingMediumLine: '10px 0 8px',
      barColor: 'var(--copper)',
    },
    Dropdown: {
      optionHeightMedium: 'auto',
      optionColorHover: 'var(--act-bg)',
      optionTextColorHover: 'var(--act)',
      padding: '6px',
    },
    Slider: {
      railColor: 'var(--line)',
      railColorHover: 'var(--line)',
      handleColor: 'var(--act)',
      fillColor: 'var(--pad)',
      fillColorHover: 'var(--pad)',
      railHeight: '4px',
    },
    Progress: { fillColor: 'var(--copper)', railColor: 'var(--sunk)', railHeight: '10px' },
    Switch: { railColorActive: 'var(--act)', boxShadowFocus: 'none' },
    Upload: {
      draggerColor: 'var(--ground)',
      draggerBorder: '1.5px dashed var(--pad)',
      draggerBorderHover: '1.5px dashed var(--act)',
    },
    Skeleton: { color: 'var(--sunk)', colorEnd: 'var(--line)' },
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
