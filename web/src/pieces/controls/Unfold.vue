<script setup lang="ts">
// Something that most readers need not see at once: one line that shows it and hides it again.
import { NButton, NCollapseTransition } from 'naive-ui'
import { useId } from 'vue'

defineProps<{ title: string }>()
const open = defineModel<boolean>('open', { default: false })
const inside = useId()
</script>

<template>
  <div>
    <NButton text type="primary" :aria-expanded="open" :aria-controls="inside" @click="open = !open">
      <svg class="mark" :class="{ open }" viewBox="0 0 12 12" width="12" height="12" aria-hidden="true">
        <path d="M4 2l4 4-4 4" />
      </svg>
      {{ title }}
    </NButton>
    <NCollapseTransition :id="inside" :show="open"><slot v-if="open" /></NCollapseTransition>
  </div>
</template>

<style scoped>
.mark {
  flex: none;
  fill: none;
  stroke: currentColor;
  stroke-width: 1.8;
  transition: transform 120ms;
}
.mark.open {
  transform: rotate(90deg);
}
</style>
