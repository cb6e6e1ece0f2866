<script setup lang="ts">
// A dialog with its heading as its name. Focus stays inside while it is open and goes back to where it was; Esc closes it.
// Its root is a div: the modal's focus trap looks for one, and takes the focus out of anything else.
import { NButton, NModal } from 'naive-ui'
import { useId } from 'vue'
import { dialog as texts } from '@texts/pieces'

defineProps<{ title: string; width: string; autoFocus: boolean }>()
const show = defineModel<boolean>('show', { required: true })
/** It is gone, and the focus is back where it was. */
defineEmits<{ closed: [] }>()
const heading = useId()
</script>

<template>
  <NModal v-model:show="show" :auto-focus="autoFocus" @after-leave="$emit('closed')">
    <div
      class="sheet dialog"
      role="dialog"
      aria-modal="true"
      :aria-labelledby="heading"
      :style="{ width: `min(${width}, 94vw)` }"
    >
      <div class="head">
        <h2 :id="heading">{{ title }}</h2>
        <NButton text class="close" :aria-label="texts.close" @click="show = false">
          <svg viewBox="0 0 16 16" width="14" height="14" aria-hidden="true">
            <path d="M3 3l10 10M13 3L3 13" />
          </svg>
        </NButton>
      </div>
      <slot />
    </div>
  </NModal>
</template>

<style scoped>
.dialog {
  padding: 18px 24px 22px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
  max-height: 92vh;
  overflow: auto;
}
.head {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
}
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
