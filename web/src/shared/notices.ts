// What concerns nobody's field or button in particular: told once at the foot of the screen, until it is put away.
import { ref } from 'vue'

export interface Notice {
  id: number
  text: string
  /** Loads the page anew where that is likely to help. */
  reload: boolean
}
export const notices = ref<Notice[]>([])
let last = 0

export function notify(text: string, { reload = false } = {}) {
  if (notices.value.some((notice) => notice.text === text)) return
  notices.value = [...notices.value, { id: ++last, text, reload }]
}

export function putAway(id: number) {
  notices.value = notices.value.filter((notice) => notice.id !== id)
}
