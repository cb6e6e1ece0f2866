<script setup lang="ts">
// What came of the last scans: the newest large enough to be read from the hatch, the others below it.
import { NButton } from 'naive-ui'
import { clockTime } from '@/shared/words'
import { scanAnswers as texts } from '@texts/hatch'
import type { Answer } from './use-scans'

defineProps<{ answers: Answer[] }>()
const emit = defineEmits<{ undo: [answer: Answer]; look: [tag: string]; done: [] }>()
</script>

<template>
  <ol :aria-label="texts.lastScans" aria-live="assertive">
    <li
      v-for="(answer, index) in answers"
      :key="answer.id"
      :class="[answer.good ? 'good' : 'bad', { newest: index === 0 }]"
    >
      <span class="sign" aria-hidden="true">{{ answer.good ? '✓' : '✕' }}</span>
      <div>
        <p>{{ answer.text }}</p>
        <div v-if="answer.back" class="acts">
          <NButton type="primary" quaternary @click="emit('look', answer.back)">{{
            texts.lookThroughIt
          }}</NButton>
          <NButton type="primary" quaternary @click="emit('undo', answer)">{{
            texts.undoItStaysOut
          }}</NButton>
        </div>
      </div>
      <time class="soft">{{ clockTime(answer.at) }}</time>
    </li>
  </ol>
</template>

<style scoped>
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
}
li {
  display: grid;
  grid-template-columns: auto 1fr auto;
  gap: 10px;
  align-items: baseline;
  padding: 7px 12px;
  border-left: 4px solid var(--line);
}
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
.sign {
  font-weight: 700;
}
.good .sign,
.newest.good p {
  color: var(--good);
}
.bad .sign,
.newest.bad p {
  color: var(--stop);
}
.acts {
  display: flex;
  gap: 6px;
  margin-left: -10px;
}
</style>
