<script setup lang="ts">
// Severity by word and shape as well as colour.
import { capital } from '@/shared/words'

defineProps<{ severity: string; count?: number }>()
</script>

<template>
  <span :class="['tag', severity]">
    <svg viewBox="0 0 12 12" aria-hidden="true">
      <rect v-if="severity === 'stop'" x="1.5" y="1.5" width="9" height="9" fill="currentColor" />
      <path v-else-if="severity === 'fix'" d="M6 1L11.2 10.5H0.8Z" fill="currentColor" />
      <circle
        v-else-if="severity === 'check'"
        cx="6"
        cy="6"
        r="4"
        fill="none"
        stroke="currentColor"
        stroke-width="2.4"
      />
      <rect v-else x="1" y="5" width="10" height="2.4" fill="currentColor" />
    </svg>
    {{ count === undefined ? capital(severity) : `${capital(severity)} ${count}` }}
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
.note {
  color: var(--note);
  background: var(--note-bg);
}
</style>
