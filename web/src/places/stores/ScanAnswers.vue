<script setup lang="ts">
// What came of the last scans: the newest large enough to be read from the hatch, the others below it.
import { nextTick, ref } from 'vue'
import { clockTime } from '@/shared/words'
import type { Answer } from './use-scans'

defineProps<{ answers: Answer[] }>()
const emit = defineEmits<{ undo: [answer: Answer]; fault: [answer: Answer, faults: string[]]; done: [] }>()
const writing = ref<number | null>(null)
const fault = ref('')

async function begin(id: number) {
  writing.value = id
  fault.value = ''
  await nextTick()
  document.getElementById('fault')?.focus()
}
function keep(answer: Answer) {
  if (!fault.value.trim()) return
  emit('fault', answer, [fault.value.trim()])
  writing.value = null
  emit('done')
}
</script>

<template>
  <ol aria-label="Last scans" aria-live="assertive">
    <li
      v-for="(answer, index) in answers"
      :key="answer.id"
      :class="[answer.good ? 'good' : 'bad', { newest: index === 0 }]"
    >
      <span class="sign" aria-hidden="true">{{ answer.good ? '✓' : '✕' }}</span>
      <div>
        <p>{{ answer.text }}</p>
        <div v-if="answer.back" class="acts">
          <button class="btn quiet" @click="begin(answer.id)">It has a fault…</button>
          <button class="btn quiet" @click="emit('undo', answer)">Undo: it stays out</button>
        </div>
        <form v-if="writing === answer.id" class="fault" @submit.prevent="keep(answer)">
          <label class="field-label" for="fault">What is wrong with {{ answer.back }}</label>
          <input
            id="fault"
            v-model="fault"
            class="field"
            placeholder="thermometer leg bent"
            maxlength="200"
          />
          <p class="soft">
            Was its supply reversed, or a light driven without a resistor? Test that part first.
          </p>
          <button class="btn">To repair</button>
        </form>
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
.fault {
  display: grid;
  gap: 8px;
  justify-items: start;
  padding: 6px 0;
}
.fault .soft {
  font-size: 14px;
  font-weight: 400;
  color: var(--soft);
}
</style>
