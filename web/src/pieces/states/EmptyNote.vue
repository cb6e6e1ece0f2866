<script setup lang="ts">
// Where there is nothing yet: what would be here, and the one act that comes next.
import { NEmpty } from 'naive-ui'

defineProps<{ title: string; text?: string }>()
</script>

<template>
  <NEmpty class="note py-7 px-6">
    <template #icon>
      <svg viewBox="0 0 120 20" aria-hidden="true">
        <path d="M4 10h112" />
        <circle v-for="x in [14, 60, 106]" :key="x" :cx="x" cy="10" r="5" />
      </svg>
    </template>
    <h2 class="text-ink">{{ title }}</h2>
    <p v-if="text" class="mt-2">{{ text }}</p>
    <template v-if="$slots.default" #extra><slot /></template>
  </NEmpty>
</template>

<style scoped>
.note {
  align-items: flex-start;
}
.note :deep(.n-empty__icon) {
  width: 120px;
  height: 20px;
  margin-bottom: 10px;
}
.note :deep(.n-empty__description) {
  color: var(--soft);
}
path {
  stroke: var(--line);
  stroke-width: 3;
}
circle {
  fill: var(--sheet);
  stroke: var(--pad);
  stroke-width: 2.4;
}
</style>
