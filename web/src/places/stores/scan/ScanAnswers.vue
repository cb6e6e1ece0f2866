<script setup lang="ts">
// What came of the last scans: the newest large enough to be read from the hatch, the others below it.
import { NButton, NFlex } from 'naive-ui'
import { clockTime } from '@/shared/words'
import { scanAnswers as texts } from '@texts/hatch'
import type { Answer } from './use-scans'

defineProps<{ answers: Answer[] }>()
const emit = defineEmits<{ undo: [answer: Answer]; look: [tag: string]; done: [] }>()
</script>

<template>
  <ol class="list-none m-0 p-0 grid grid-cols-1 gap-2" :aria-label="texts.lastScans" aria-live="assertive">
    <li
      v-for="(answer, index) in answers"
      :key="answer.id"
      class="grid grid-cols-[auto_1fr_auto] gap-2.5 items-baseline py-2 px-3 border-l-4 border-l-line"
      :class="[answer.good ? 'good' : 'bad', { newest: index === 0 }]"
    >
      <span class="sign font-bold" aria-hidden="true">{{ answer.good ? '✓' : '✕' }}</span>
      <div>
        <p>{{ answer.text }}</p>
        <NFlex v-if="answer.back" :wrap="false" size="small" class="acts -ml-2.5">
          <NButton type="primary" quaternary @click="emit('look', answer.back)">{{
            texts.lookThroughIt
          }}</NButton>
          <NButton type="primary" quaternary @click="emit('undo', answer)">{{ texts.undoReturn }}</NButton>
        </NFlex>
      </div>
      <time class="soft">{{ clockTime(answer.at) }}</time>
    </li>
  </ol>
</template>

<style scoped>
li.good {
  border-color: var(--good);
}
li.bad {
  border-color: var(--stop);
}
li.newest {
  background: var(--good-bg);
  border-radius: 0 var(--radius) var(--radius) 0;
  padding: 14px;
}
li.newest.bad {
  background: var(--stop-bg);
}
.newest p {
  font-size: 20px;
  font-weight: 620;
}
.newest .sign {
  font-size: 26px;
}
.good .sign,
.newest.good p {
  color: var(--good);
}
.bad .sign,
.newest.bad p {
  color: var(--stop);
}
</style>
