// Single keys for someone walking with one hand free. They rest while a field is being typed in or a dialog is open, and
// those that are letters or digits can be switched off (a speech input would otherwise set them off).
import { onKeyStroke, useStorage } from '@vueuse/core'
import { onScopeDispose, ref, shallowReactive } from 'vue'

export interface KeyHint {
  key: string
  does: string
}

/** What the list of keys shows: the keys of whatever is on screen now. */
export const keyHints = shallowReactive<KeyHint[]>([])

/** Whether the list of keys is open. */
export const keyHelp = ref(false)

/** Whether letters and digits act as keys on this device. */
export const singleKeys = useStorage('verifex-single-keys', true)

const FIELDS =
  'input:not([type=checkbox]):not([type=radio]):not([type=range]), textarea, [role=combobox], [contenteditable="true"], .cm-editor'
// Widgets that have arrow keys, Enter and letters of their own.
const WIDGETS =
  '[role=tablist], [role=menu], [role=listbox], [role=combobox], [role=slider], [role=radiogroup]'

export function isTyping(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement | null
  return event.isComposing || !!target?.closest(FIELDS)
}

/** Whether this stroke belongs to whatever has the focus, and not to the keys of the screen. */
export function isTaken(event: KeyboardEvent): boolean {
  if (isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return true
  if (event.key.length === 1 && !singleKeys.value) return true
  const target = event.target as HTMLElement | null
  if (event.key !== 'Escape' && event.key.length > 1 && target?.closest(WIDGETS)) return true
  if (event.key === 'Enter' && target?.closest('a, button, summary, [tabindex="0"]')) return true
  return !!document.querySelector('[role="dialog"], [aria-haspopup="menu"][aria-expanded="true"]')
}

export function useKeys(keys: Record<string, { does: string; act: () => void }>) {
  const hints = Object.entries(keys)
    .map(([key, { does }]) => ({ key, does }))
    .filter((hint) => hint.does)
  keyHints.push(...hints)
  onScopeDispose(() => {
    for (const hint of hints) keyHints.splice(keyHints.indexOf(hint), 1)
  })
  onKeyStroke((event) => {
    if (isTaken(event)) return
    const pressed = event.key.toLowerCase()
    const hit = Object.entries(keys).find(([key]) => key.toLowerCase() === pressed)
    if (!hit) return
    event.preventDefault()
    hit[1].act()
  })
}
