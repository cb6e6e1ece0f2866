// What concerns nobody's field or button in particular: shown once at the foot of the screen, until it is closed. A notice
// with an undo is about what was done on a screen that has been left; it closes by itself.
import { ref } from 'vue'

export interface Notice {
  id: number
  text: string
  /** Loads the page anew where that is likely to help. */
  reload: boolean
  undo?: () => Promise<unknown>
}
export const notices = ref<Notice[]>([])
let last = 0

export function notify(text: string, { reload = false, undo }: Partial<Notice> = {}) {
  if (notices.value.some((notice) => notice.text === text)) return
  notices.value = [...notices.value, { id: ++last, text, reload, undo }]
}

export function putAway(id: number) {
  notices.value = notices.value.filter((notice) => notice.id !== id)
}
