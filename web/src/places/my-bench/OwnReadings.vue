<script setup lang="ts">
// What a pair read in each step and how it was judged; what should be printed is not shown before its readings are passed.
import { computed } from 'vue'
import { fixed, verdictWords } from '@/shared/words'
import { ownReadings as texts } from '@texts/my-bench'
import type { MyDocket } from './use-my-docket'

const props = defineProps<{ docket: MyDocket }>()
const unit = computed(() => props.docket.exercise.readings[0]?.unit ?? '')
const rows = computed(() =>
  props.docket.steps.map((step) => ({
    name: step.name,
    value: step.centre == null ? step.said || '–' : `${fixed(step.centre, 2)} ${unit.value}`.trim(),
    ...verdictWords(step.verdict),
  })),
)
</script>

<template>
  <section :aria-label="texts.whatYouRead">
    <h3>{{ texts.whatYouRead }}</h3>
    <ul class="list-none my-1.5 mx-0 p-0">
      <li
        v-for="row in rows"
        :key="row.name"
        class="grid grid-cols-[minmax(0,1fr)_auto_minmax(92px,auto)] gap-y-1 gap-x-3 py-2 border-b border-b-line"
      >
        <span>{{ row.name }}</span>
        <span class="v">{{ row.value }}</span>
        <b class="text-right" :class="row.tone">{{ row.word }}</b>
      </li>
    </ul>
    <p class="soft">{{ texts.expectedLater }}</p>
  </section>
</template>

<style scoped>
.good {
  color: var(--good);
}
.stop {
  color: var(--stop);
}
.check {
  color: var(--check);
}
</style>
