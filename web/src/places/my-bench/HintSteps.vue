<script setup lang="ts">
// Hints on the program in three steps: where to look, the idea, nearly the answer. Each further one is asked for, and counted.
import { NButton, NFlex } from 'naive-ui'
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import Asked from '@/pieces/states/Asked.vue'
import LineRows from '@/pieces/lists/LineRows.vue'
import SeverityTag from '@/pieces/findings/SeverityTag.vue'
import Sheet from '@/pieces/states/Sheet.vue'
import { useHintLine } from '@/queries/my-bench'
import { hintSteps as texts } from '@texts/my-bench'
import { useMyDocket } from './use-my-docket'

type Hint = Schemas['SteppedHintOut']
const props = defineProps<{ docket: number; program: Schemas['PairProgramOut'] }>()
const { openHint, busy } = useMyDocket()
const shown = ref('')
const line = useHintLine(
  computed(() => props.docket),
  shown,
  computed(() => props.program.number),
)
const NEXT: Record<number, string> = { 1: texts.concept, 2: texts.nearlyTheAnswer }
function where(hint: Hint): string {
  const lines = [...(hint.line ? [hint.line] : []), ...hint.more_lines]
  if (lines.length) return texts.lookAtLine(lines.slice(0, 4).join(', '))
  return hint.parts.length ? texts.lookAtParts(hint.parts.join(', ')) : texts.lookAtProgram
}
const costs = computed(() => (Number(props.program.hint_cost) ? texts.cost(props.program.hint_cost) : ''))
const none = computed(() => props.program.hints_left === 0)
const rule = computed(() => {
  if (none.value) return texts.noneLeft
  const left = props.program.hints_left
  return [
    typeof left === 'number' ? texts.stepsLeft(left) : '',
    costs.value ? texts.nextCost(costs.value) : '',
  ].join(' ')
})
</script>

<template>
  <section v-if="program.stepped.length" :aria-label="texts.hints">
    <p v-if="program.hints_left !== null || costs" class="soft mb-1.5">
      {{ rule }}
    </p>
    <ul class="list-none p-0 m-0 grid grid-cols-1 gap-2">
      <Sheet
        v-for="hint in program.stepped"
        :key="hint.key"
        tag="li"
        pad="small"
        inner="grid grid-cols-[72px_minmax(0,1fr)] gap-2.5 items-baseline"
      >
        <SeverityTag class="justify-self-start" :severity="hint.severity" />
        <div class="steps grid grid-cols-1 gap-1.5">
          <p>{{ where(hint) }}</p>
          <p v-if="hint.hint" class="idea font-semibold">{{ hint.hint }}</p>
          <p v-if="hint.nearly" class="nearly bg-note-bg text-note rounded py-2 px-2.5">{{ hint.nearly }}</p>
          <NFlex size="small" class="acts">
            <NButton
              v-if="NEXT[hint.step]"
              type="primary"
              ghost
              :disabled="busy || none"
              @click="openHint(hint.key, hint.step + 1)"
            >
              {{ NEXT[hint.step] }}
            </NButton>
            <NButton
              v-if="hint.shows"
              type="primary"
              quaternary
              :aria-expanded="shown === hint.key"
              @click="shown = shown === hint.key ? '' : hint.key"
            >
              {{ shown === hint.key ? texts.closeTheRun : texts.showOnBench }}
            </NButton>
          </NFlex>
          <Asked v-if="shown === hint.key" v-slot="{ data: seen }" :query="line" :what="texts.lineInRun">
            <LineRows :seen="seen" />
          </Asked>
        </div>
      </Sheet>
    </ul>
  </section>
</template>

<style scoped>
@media (max-width: 600px) {
  li {
    grid-template-columns: minmax(0, 1fr);
    justify-items: start;
    gap: 6px;
  }
  .steps {
    width: 100%;
  }
}
</style>
