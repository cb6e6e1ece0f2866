<script setup lang="ts">
// A dialog: its frame is loaded when the first one opens, since most visits open none.
import { useOnce } from '@/shared/once'
import { lazy } from '@/pieces/lazy'

const DialogFrame = lazy(() => import('./DialogFrame.vue'))

withDefaults(defineProps<{ title: string; width?: string; autoFocus?: boolean }>(), {
  width: '520px',
  autoFocus: true,
})
const show = defineModel<boolean>('show', { required: true })
/** It is gone, and the focus is back where it was. */
defineEmits<{ closed: [] }>()
const wasOpened = useOnce(() => show.value)
</script>

<template>
  <DialogFrame
    v-if="wasOpened"
    v-model:show="show"
    :title="title"
    :width="width"
    :auto-focus="autoFocus"
    @closed="$emit('closed')"
  >
    <slot />
  </DialogFrame>
</template>
