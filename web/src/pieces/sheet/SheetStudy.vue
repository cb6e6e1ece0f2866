<script setup lang="ts">
// A sheet to look into: the plot, sliders for the stimulus and for each value that can be measured, and the table,
// all of which follow at once.
import { NButton, NFlex } from 'naive-ui'
import { computed, ref, toRef, watch } from 'vue'
import type { Schemas } from '@/api/client'
import ChoiceBar from '@/pieces/controls/ChoiceBar.vue'
import { TransferPlot } from '@/pieces/lazy'
import { withUnit } from '@/shared/units'
import { fixed } from '@/shared/words'
import Sentence from '@/pieces/Sentence.vue'
import { common } from '@texts/common'
import { sheetStudy as texts } from '@texts/sheet'
import { rowAt } from './interpolate'
import SheetTable from './SheetTable.vue'
import SliderRow from './SliderRow.vue'
import { type SheetSource, useSliders } from './use-sliders'

const props = defineProps<{
  sheet: Schemas['SheetOut']
  source: SheetSource
  readings?: Schemas['StepVerdictOut'][]
  predicted?: { step: string; reading: string; value: number; verdict: string | null }[]
  /** What a fault would print, to be drawn over the readings. */
  would?: Schemas['WouldPrintOut'][]
}>()
const key = ref('')
const shows = ref<'value' | 'raw'>('value')
const stimulus = ref<number>()
watch(
  () => props.sheet.readings,
  (all) => {
    if (!all.some((r) => r.key === key.value)) key.value = all[0]?.key ?? ''
  },
  { immediate: true },
)
watch([key, () => props.source.key.join()], () => (stimulus.value = undefined))
const { at, sliders, moved, shown, shift, isExact, reset } = useSliders(
  toRef(props, 'source'),
  toRef(props, 'sheet'),
  key,
)
const reading = computed(
  () => shown.value.readings.find((r) => r.key === key.value) ?? shown.value.readings[0] ?? null,
)
const ends = computed(() => [reading.value?.plot[0]?.[0] ?? 0, reading.value?.plot.at(-1)?.[0] ?? 1] as const)
const firstStimulus = computed(
  () =>
    props.sheet.steps
      .flatMap((step) => step.readings)
      .find((r) => `${r.ref}.${r.quantity}` === reading.value?.key)?.stimulus.expected ?? ends.value[0],
)
const hasRaw = computed(() => ['count', 'µs'].includes(reading.value?.raw_unit ?? '') && reading.value?.unit)
/** Something is there or not: a line over it says nothing. */
const hasPlot = computed(() => reading.value?.raw_unit !== 'level' || !!reading.value?.stimulus_unit)
/** What is read and printed at the stimulus the slider stands at. */
const there = computed(() => {
  const r = reading.value
  if (!r || stimulus.value === undefined) return null
  const row = rowAt(
    r.plot.map((one) => one[0]!),
    r.plot.map((one) => one.slice(1)),
    stimulus.value,
  )
  const off = shift(stimulus.value)
  return row.map((value, i) => value + off[i]!)
})
function clear() {
  reset()
  stimulus.value = undefined
}
</script>

<template>
  <NFlex v-if="reading" vertical class="study">
    <div class="bars flex gap-y-2 gap-x-4.5 flex-wrap">
      <slot />
      <ChoiceBar
        v-if="sheet.readings.length > 1"
        v-model="key"
        :label="texts.reading"
        :choices="sheet.readings.map((r) => ({ value: r.key, word: r.name }))"
      />
      <ChoiceBar
        v-if="hasRaw"
        v-model="shows"
        :label="texts.shown"
        :choices="[
          { value: 'value', word: common.printed },
          { value: 'raw', word: reading.raw_unit === 'µs' ? texts.echoTime : common.count },
        ]"
      />
    </div>
    <div v-if="hasPlot" class="two grid grid-cols-[minmax(0,1fr)_230px] gap-4">
      <TransferPlot
        :sheet="shown"
        :reading="reading"
        :readings="readings"
        :would="would"
        :raw="shows === 'raw' && !!hasRaw"
        :shift="shift"
        :at="stimulus"
      />
      <section class="grid grid-cols-1 gap-2 content-start" :aria-label="texts.heading">
        <SliderRow
          v-model="stimulus"
          strong
          :name="texts.stimulusLabel"
          :unit="reading.stimulus_unit"
          :low="ends[0]"
          :high="ends[1]"
          :usual="firstStimulus"
          :in-decades="reading.in_decades"
        />
        <p v-if="there" class="bg-copper-soft rounded py-1.5 px-2.5" aria-live="polite">
          <Sentence :text="hasRaw || reading.raw_unit === 'count' ? texts.readsAndPrints : texts.prints">
            <template #read>{{ reading.raw_unit === 'µs' ? texts.echo : texts.count }}</template>
            <template #raw
              ><b class="v"
                >{{ Math.round(there[1]!) }}{{ reading.raw_unit === 'µs' ? ' µs' : '' }}</b
              ></template
            >
            <template #printed
              ><b class="v">{{ fixed(there[4], reading.decimals) }} {{ reading.unit }}</b></template
            >
            <template #limits
              ><span class="soft v"
                >({{ fixed(there[3], reading.decimals) }} … {{ fixed(there[5], reading.decimals) }})</span
              ></template
            >
          </Sentence>
        </p>
        <p v-if="sliders.length" class="head mt-1.5 text-soft text-sm font-semibold">
          {{ texts.assumedHeading }}
        </p>
        <SliderRow
          v-for="slider in sliders"
          :key="slider.key"
          v-model="at[slider.key]"
          :name="slider.name"
          :unit="slider.unit"
          :low="slider.low"
          :high="slider.high"
          :usual="slider.value"
        />
        <p v-if="!sliders.length" class="soft">{{ texts.nothingToMeasure }}</p>
        <NButton v-if="moved.length || stimulus !== undefined" type="primary" quaternary @click="clear">
          {{ texts.reset }}
        </NButton>
      </section>
    </div>
    <SheetTable
      :sheet="shown"
      :readings="readings"
      :predicted="predicted"
      :shift="shift"
      :shifted="key"
      :aria-busy="!isExact"
    />
    <ul v-if="shown.notes.length" class="m-0 pl-4.5 text-soft">
      <li v-for="note in shown.notes" :key="note">{{ note }}</li>
    </ul>
    <p v-if="moved.length" class="soft">
      {{ texts.assumed(moved.map(([s, value]) => `${s.name} ${withUnit(value, s.unit)}`).join(', ')) }}
    </p>
  </NFlex>
  <NFlex v-else vertical class="study">
    <div class="bars flex gap-y-2 gap-x-4.5 flex-wrap"><slot /></div>
    <SheetTable :sheet="sheet" :readings="readings" :predicted="predicted" />
  </NFlex>
</template>

<style scoped>
.bars:empty {
  display: none;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
