<script setup lang="ts">
// A dialog with its heading as its name. Focus stays inside while it is open and goes back to where it was; Esc closes it.
// Its root is a div: the modal's focus trap looks for one, and takes the focus out of anything else.
import { NButton, NFlex, NModal } from 'naive-ui'
import { useId } from 'vue'
import Sheet from '@/pieces/states/Sheet.vue'
import { dialog as texts } from '@texts/pieces'

defineProps<{ title: string; width: string; autoFocus: boolean }>()
const show = defineModel<boolean>('show', { required: true })
/** It is gone, and the focus is back where it was. */
defineEmits<{ closed: [] }>()
const heading = useId()
</script>

<template>
  <NModal v-model:show="show" :auto-focus="autoFocus" @after-leave="$emit('closed')">
    <Sheet
      pad="large"
      class="max-h-[92vh] overflow-auto"
      inner="grid grid-cols-1 gap-3.5"
      role="dialog"
      aria-modal="true"
      :aria-labelledby="heading"
      :style="{ width: `min(${width}, 94vw)` }"
    >
      <NFlex :wrap="false" align="center" justify="space-between" class="head">
        <h2 :id="heading">{{ title }}</h2>
        <NButton text class="close" :aria-label="texts.close" @click="show = false">
          <svg viewBox="0 0 16 16" width="14" height="14" aria-hidden="true">
            <path d="M3 3l10 10M13 3L3 13" />
          </svg>
        </NButton>
      </NFlex>
      <slot />
    </Sheet>
  </NModal>
</template>

<style scoped>
.close {
  border: 0;
  background: none;
  color: var(--soft);
  width: 36px;
  height: 36px;
  cursor: pointer;
}
path {
  stroke: currentColor;
  stroke-width: 1.8;
  stroke-linecap: round;
}
</style>
