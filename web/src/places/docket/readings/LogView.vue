<script setup lang="ts">
// The log as it was handed in, line by line: what was taken as a reading of which step, and for the line that is looked at the
// whole chain from what the sensor got to what should have been printed.
import { NFlex, NVirtualList } from 'naive-ui'
import { computed, onMounted, ref } from 'vue'
import type { Schemas } from '@/api/client'
import ChoiceField from '@/pieces/fields/ChoiceField.vue'
import FormField from '@/pieces/fields/FormField.vue'
import { withUnit } from '@/shared/units'
import { fixed, verdictWords } from '@/shared/words'
import Sentence from '@/pieces/Sentence.vue'
import { logView as texts } from '@texts/docket-readings'
import StepEnds from './StepEnds.vue'

const props = defineProps<{
  text: string
  steps: Schemas['StepVerdictOut'][]
  sheet: Schemas['SheetOut'] | null
  columns: Schemas['LogColumnOut'][]
  names: string[]
  drawn: Schemas['LogPointOut'][]
  begins: Schemas['StepBeginOut'][]
  save: (name: string, value: number, instrument: string) => Promise<unknown>
}>()
const taken = (position: number) => props.columns.find((column) => column.taken_for === position)
async function take(position: number, column: number | null) {
  if (column !== null) await props.save(`column:${position}`, column, texts.byAPerson)
}
const few = (values: number[]) => values.map((value) => withUnit(value, '')).join(', ')
type Read = { step: string; value: number; verdict: string }
const lines = computed(() =>
  props.text
    .replace(/\r\n?/g, '\n')
    .split('\n')
    .map((text, index) => ({ key: index + 1, text })),
)
const read = computed(() => {
  const found = new Map<number, Read>()
  for (const step of props.steps)
    step.values.forEach((value, i) => {
      const line = step.lines[i]
      if (line !== undefined) found.set(line, { step: step.name, value, verdict: step.verdict })
    })
  return found
})
const pointed = ref<number | null>(null)
/** A line that was clicked is looked at even where it was taken for no reading: a step may be said to begin there. */
const chosen = ref(false)
function point(line: number, byClick: boolean) {
  if (!byClick && (chosen.value || !read.value.has(line))) return
  pointed.value = line
  chosen.value = byClick && !read.value.has(line)
}
/** The first reading that is out is looked at until another one is pointed at. */
const looked = computed(() => {
  if (pointed.value !== null && (read.value.has(pointed.value) || chosen.value)) return pointed.value
  const all = [...read.value]
  return (all.find(([, one]) => one.verdict === 'out') ?? all[0])?.[0] ?? null
})
const list = ref<InstanceType<typeof NVirtualList> | null>(null)
/** What scrolls is inside the list; it is what has the focus and the name. */
const box = ref<HTMLElement | null>(null)
onMounted(() => {
  const scroller = box.value?.querySelector('.v-vl')
  scroller?.setAttribute('tabindex', '0')
  scroller?.setAttribute('role', 'group')
  scroller?.setAttribute('aria-label', texts.logLabel)
})
function step(by: 1 | -1) {
  const lines = read.value.size ? [...read.value.keys()] : props.drawn.map((one) => one.line)
  const all = lines.sort((a, b) => a - b)
  const next = all[all.indexOf(looked.value ?? all[0]!) + by]
  if (next === undefined) return
  pointed.value = next
  chosen.value = !read.value.has(next)
  list.value?.scrollTo({ index: next - 1 })
}
const at = computed(() => (looked.value === null ? null : (read.value.get(looked.value) ?? null)))
const expected = computed(
  () => props.sheet?.steps.find((step) => step.name === at.value?.step)?.readings[0] ?? null,
)
const unit = computed(() => props.sheet?.readings[0]?.unit ?? '')
const stimulus = computed(() => props.sheet?.readings[0]?.stimulus_unit ?? '')
const firstRead = computed(() => {
  const [first] = read.value.keys()
  return first === undefined ? 0 : Math.max(0, first - 3)
})
</script>

<template>
  <NFlex vertical size="small" class="log">
    <StepEnds :drawn="drawn" :begins="begins" :looked="looked" :save="save" />
    <div v-if="columns.length > 1" class="columns grid gap-2">
      <FormField v-for="(name, position) in names" :key="position"
        ><template #label
          >{{ texts.takenFor(name) }}
          <span v-if="taken(position)" class="soft">{{
            texts.because(taken(position)!.because)
          }}</span></template
        ><ChoiceField
          :model-value="taken(position)?.key ?? null"
          :options="[
            ...(!taken(position) ? [{ value: null, label: texts.none }] : []),
            ...columns.map((column) => ({
              value: column.key,
              label: `${column.title}: ${few(column.values)} …`,
            })),
          ]"
          @update:model-value="take(position, $event)"
      /></FormField>
    </div>
    <p
      v-if="at && expected"
      class="flex flex-wrap gap-y-0.5 gap-x-2 bg-copper-soft rounded py-2 px-3 min-h-15.5 content-center"
      aria-live="polite"
    >
      <span class="soft">{{ texts.line(looked!, at.step) }}</span>
      <span class="v">{{ withUnit(expected.stimulus.expected, stimulus) }}</span>
      <template v-if="expected.volts"
        ><span aria-hidden="true">→</span
        ><span class="v">{{ fixed(expected.volts.expected, 3) }} V</span></template
      >
      <template v-if="expected.raw_unit === 'count' || expected.raw_unit === 'µs'"
        ><span aria-hidden="true">→</span
        ><span class="v"
          >{{ expected.raw_unit === 'µs' ? '' : texts.count }}{{ Math.round(expected.count.expected)
          }}{{ expected.raw_unit === 'µs' ? ' µs' : '' }}</span
        ></template
      >
      <span aria-hidden="true">→</span>
      <span
        ><Sentence :text="texts.shouldPrint">
          <template #expected
            ><b class="v">{{ fixed(expected.value.expected, expected.decimals) }} {{ unit }}</b></template
          >
          <template #limits
            ><span class="soft v"
              >({{ fixed(expected.value.low, expected.decimals) }} …
              {{ fixed(expected.value.high, expected.decimals) }})</span
            ></template
          >
        </Sentence></span
      >
      <span
        ><Sentence :text="texts.printed">
          <template #value
            ><b class="v">{{ withUnit(at.value, unit) }}</b></template
          >
          <template #verdict
            ><span class="verdict ml-2 font-semibold" :class="verdictWords(at.verdict).tone">{{
              verdictWords(at.verdict).word
            }}</span></template
          ></Sentence
        ></span
      >
    </p>
    <p
      v-else
      class="soft flex flex-wrap gap-y-0.5 gap-x-2 bg-copper-soft rounded py-2 px-3 min-h-15.5 content-center"
    >
      {{ texts.noReadingFound }}
    </p>
    <div
      ref="box"
      class="lines h-[min(60vh,640px)]"
      @keydown.down.prevent="step(1)"
      @keydown.up.prevent="step(-1)"
    >
      <NVirtualList
        ref="list"
        class="fill"
        :items="lines"
        :item-size="22"
        :default-scroll-index="firstRead"
        item-resizable
      >
        <template #default="{ item }">
          <p
            :key="item.key"
            class="v grid grid-cols-[52px_minmax(0,1fr)_auto] gap-2.5 min-h-5.5 leading-[22px] text-sm text-soft"
            :class="[
              read.get(item.key) && 'read',
              read.get(item.key)?.verdict === 'out' && 'out',
              looked === item.key && 'looked',
            ]"
            @mouseenter="point(item.key, false)"
            @click="point(item.key, true)"
          >
            <span class="number" aria-hidden="true">{{ item.key }}</span><span
              class="text whitespace-pre-wrap wrap-anywhere"
              >{{ item.text }}</span
            ><span v-if="read.get(item.key)" class="step">{{ read.get(item.key)!.step }}</span>
          </p>
        </template>
      </NVirtualList>
    </div>
  </NFlex>
</template>

<style scoped>
.verdict.stop {
  color: var(--stop);
}
.verdict.good {
  color: var(--good);
}
.fill {
  height: 100%;
}
.number {
  text-align: right;
  color: var(--soft);
  user-select: none;
}
.read {
  color: var(--ink);
}
.out .text {
  color: var(--stop);
  font-weight: 640;
}
.looked {
  background: var(--copper-soft);
}
.step {
  font: 12.5px var(--text);
  color: var(--soft);
  padding-right: 8px;
}
</style>
