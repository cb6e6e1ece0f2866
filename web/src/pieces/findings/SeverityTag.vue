<script setup lang="ts">
// Severity by word and shape as well as colour.
import { NTag } from 'naive-ui'
import { computed } from 'vue'
import { severityName } from '@/shared/words'
import { shapeOf } from './severity'

const props = defineProps<{ severity: string; count?: number }>()
const shape = computed(() => shapeOf(props.severity))
const colour = computed(() =>
  props.severity === 'unchecked'
    ? { color: 'var(--sunk)', textColor: 'var(--soft)' }
    : { color: `var(--${props.severity}-bg)`, textColor: `var(--${props.severity})` },
)
</script>

<template>
  <NTag size="small" strong :bordered="false" :color="colour" :class="['tag', severity]">
    <template #icon>
      <svg viewBox="0 0 12 12" width="11" height="11" aria-hidden="true">
        <path
          :d="shape.path"
          :fill="shape.outline ? 'none' : 'currentColor'"
          :stroke="shape.outline ? 'currentColor' : 'none'"
          stroke-width="2.4"
        />
      </svg>
    </template>
    {{ count === undefined ? severityName(severity) : `${severityName(severity)} ${count}` }}
  </NTag>
</template>
