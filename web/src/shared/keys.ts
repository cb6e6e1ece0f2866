// Single keys for someone walking with one hand free; they rest while a field is being typed in.
import { onKeyStroke } from '@vueuse/core'
import { onScopeDispose, shallowReactive } from 'vue'

export interface KeyHint {
  key: string
  does: string
}

/** What `?` lists: the keys of whatever is on screen now. */
export const keyHints = shallowReactive<KeyHint[]>([])

export function isTyping(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement | null
  return !!target?.closest('input, textarea, select, [contenteditable="true"], .cm-editor')
}

export function useKeys(keys: Record<string, { does: string; act: () => void }>) {
  const hints = Object.entries(keys).map(([key, { does }]) => ({ key, does }))
  keyHints.push(...hints)
  onScopeDispose(() => {
    for (const hint of hints) keyHints.splice(keyHints.indexOf(hint), 1)
  })
  onKeyStroke((event) => {
    if (isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return
    if (document.querySelector('[role="dialog"]')) return
    const pressed = event.key.length === 1 ? event.key.toLowerCase() : event.key
    const hit = Object.entries(keys).find(([key]) => key.toLowerCase() === pressed.toLowerCase())
    if (!hit) return
    event.preventDefault()
    hit[1].act()
  })
}
