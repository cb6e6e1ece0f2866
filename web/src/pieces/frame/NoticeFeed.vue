<script setup lang="ts">
// Gives each notice to the library's notifications, and takes it away where it is closed.
import { NButton, type NotificationReactive, useNotification } from 'naive-ui'
import { h, watch } from 'vue'
import { type Notice, notices, notify, putAway } from '@/shared/notices'
import { common } from '@texts/common'
import { notices as texts } from '@texts/pieces'

/** Long enough to be read and reached by keyboard; the pointer on it holds it open. */
const UNDO_OFFERED_MS = 12_000
const library = useNotification()
const shown = new Map<number, NotificationReactive>()

function button(notice: Notice) {
  if (notice.undo)
    return h(
      NButton,
      {
        type: 'primary',
        ghost: true,
        onClick: () => {
          putAway(notice.id)
          notice.undo!().catch((wrong: unknown) =>
            notify(wrong instanceof Error ? wrong.message : String(wrong)),
          )
        },
      },
      () => common.undo,
    )
  if (notice.reload)
    return h(
      NButton,
      { type: 'primary', ghost: true, onClick: () => window.location.reload() },
      () => texts.loadAgain,
    )
  return undefined
}
function show(notice: Notice) {
  return library.create({
    type: notice.undo ? 'default' : 'error',
    content: () => h('div', { role: notice.undo ? 'status' : 'alert' }, notice.text),
    action: notice.undo || notice.reload ? () => button(notice) : undefined,
    duration: notice.undo ? UNDO_OFFERED_MS : undefined,
    keepAliveOnHover: true,
    onAfterLeave: () => putAway(notice.id),
  })
}
watch(
  notices,
  (now) => {
    for (const notice of now) if (!shown.has(notice.id)) shown.set(notice.id, show(notice))
    for (const [id, one] of shown)
      if (!now.some((notice) => notice.id === id)) {
        one.destroy()
        shown.delete(id)
      }
  },
  { immediate: true },
)
</script>

<template>
  <span hidden />
</template>
