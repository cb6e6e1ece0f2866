<script setup lang="ts">
// A file that is chosen, or dropped anywhere on the area.
import { NUpload, NUploadDragger, type UploadFileInfo } from 'naive-ui'
import { useAttrs } from 'vue'

defineOptions({ inheritAttrs: false })
const { area, accept = undefined } = defineProps<{
  accept?: string
  /** A whole area to drop a file on, not a button alone. */
  area?: boolean
  disabled?: boolean
}>()
const emit = defineEmits<{ choose: [file: File] }>()
const attrs = useAttrs()
function take({ file }: { file: UploadFileInfo }) {
  if (file.file) emit('choose', file.file)
  return false
}
</script>

<template>
  <NUpload
    :class="[attrs.class, { area }]"
    :accept="accept"
    :disabled="disabled"
    :show-file-list="false"
    :default-upload="false"
    :input-props="{ ...attrs, class: undefined }"
    @before-upload="take"
  >
    <NUploadDragger v-if="area"><slot /></NUploadDragger>
    <slot v-else />
  </NUpload>
</template>

<style scoped>
.n-upload:not(.area) {
  width: auto;
}
</style>
