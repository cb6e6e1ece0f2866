<script setup lang="ts">
// Hints: where to look, not what to change.
import { NButton } from 'naive-ui'
import type { Schemas } from '@/api/client'
import SeverityTag from '@/pieces/findings/SeverityTag.vue'
import { hintList as texts } from '@texts/my-bench'

defineProps<{ hints: Schemas['HintOut'][] }>()
const chosen = defineModel<number>('chosen', { default: 0 })
</script>

<template>
  <ul class="list-none p-0 m-0 grid grid-cols-1 gap-2" :aria-label="texts.hints">
    <li v-for="(hint, index) in hints" :key="index">
      <NButton
        text
        class="whole"
        :class="{ on: index === chosen }"
        :aria-pressed="index === chosen"
        @click="chosen = index"
      >
        <SeverityTag class="justify-self-start" :severity="hint.severity" />
        <span>
          {{ hint.hint }}
          <span class="v soft">{{ hint.parts.join(', ') || (hint.line ? texts.line(hint.line) : '') }}</span>
        </span>
      </NButton>
    </li>
  </ul>
</template>

<style scoped>
.n-button {
  display: grid;
  grid-template-columns: 72px 1fr;
  gap: 10px;
  align-items: baseline;
  width: 100%;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: var(--radius);
  padding: 11px 14px;
}
.n-button.on {
  border: 1.5px solid var(--ink);
}
</style>
