<script setup lang="ts">
// Severity by word and shape as well as colour.
import { computed } from 'vue'
import { severityName } from '@/shared/words'
import { shapeOf } from './severity'

const props = defineProps<{ severity: string; count?: number }>()
const shape = computed(() => shapeOf(props.severity))
</script>

<template>
  <span :class="['tag', severity]">
    <svg viewBox="0 0 12 12" aria-hidden="true">
      <path
        :d="shape.path"
        :fill="shape.outline ? 'none' : 'currentColor'"
        :stroke="shape.outline ? 'currentColor' : 'none'"
        stroke-width="2.4"
      />
    </svg>
    {{ count === undefined ? severityName(severity) : `${severityName(severity)} ${count}` }}
  </span>
</template>

<style scoped>
.tag {
  display: inline-flex;
  align-items: center;
  gap: 5px;
  font-weight: 680;
  font-size: 12.5px;
  padding: 1px 8px 1px 6px;
  border-radius: 3px;
  white-space: nowrap;
}
.tag svg {
  width: 11px;
  height: 11px;
}
.stop {
  color: var(--stop);
  background: var(--stop-bg);
}
.fix {
  color: var(--fix);
  background: var(--fix-bg);
}
.check {
  color: var(--check);
  background: var(--check-bg);
}
.unchecked {
  color: var(--soft);
  background: var(--sunk);
}
.note {
  color: var(--note);
  background: var(--note-bg);
}
</style>
