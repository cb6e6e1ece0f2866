<script setup lang="ts">
// The expected sheet as a table; with readings or a prediction, each step is judged beside it.
import { NTable } from 'naive-ui'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { withUnit } from '@/shared/units'
import { fixed, verdictWords } from '@/shared/words'
import { common } from '@texts/common'
import { sheetTable as texts } from '@texts/sheet'

type Reading = Schemas['StepReadingOut']
const props = defineProps<{
  sheet: Schemas['SheetOut']
  readings?: Schemas['StepVerdictOut'][]
  predicted?: { step: string; reading: string; value: number; verdict: string | null }[]
  /** How far the reading of that key is off the sheet at a stimulus, while sliders move. */
  shift?: (stimulus: number) => number[]
  shifted?: string
}>()
const judged = computed(() => new Map((props.readings ?? []).map((step) => [step.name, step])))
/** What was read of a step's reading, the first one or a further one. */
function readOf(step: string, index: number) {
  const read = judged.value.get(step)
  if (index > 0) return read?.others[index - 1]
  return read && { centre: read.centre, said: read.said, verdict: read.first_verdict || read.verdict }
}
const several = computed(() => props.sheet.steps.some((step) => step.readings.length > 1))
const hasVolts = computed(() => props.sheet.steps.some((step) => step.readings.some((r) => r.volts)))
const isCounted = computed(() =>
  props.sheet.steps.some((step) => step.readings.some((r) => r.unit && ['count', 'µs'].includes(r.raw_unit))),
)
const rawName = computed(() =>
  props.sheet.readings.some((r) => r.raw_unit === 'µs') ? texts.echo : common.count,
)
const hasStates = computed(() => props.sheet.steps.some((step) => Object.keys(step.indicators).length))
function states(step: Schemas['SheetStepOut']): string {
  const all = Object.entries(step.indicators)
  if (!all.length) return ''
  if (all.every(([, state]) => state === all[0]![1])) return all[0]![1]
  return all.map(([ref, state]) => `${ref} ${state}`).join(', ')
}
function off(r: Reading): number[] {
  return props.shift && props.shifted === `${r.ref}.${r.quantity}`
    ? props.shift(r.stimulus.expected)
    : [0, 0, 0, 0, 0, 0]
}
const bare = (r: Reading) => r.raw_unit === 'id' || r.raw_unit === 'level'
const given = (r: Reading) => (r.raw_unit === 'id' ? r.printed : withUnit(r.stimulus.expected, unitOf(r)))
function unitOf(r: Reading): string {
  return props.sheet.readings.find((one) => one.key === `${r.ref}.${r.quantity}`)?.stimulus_unit ?? ''
}
function predictionOf(step: string, r: Reading) {
  return props.predicted?.find((p) => p.step === step && p.reading === `${r.ref}.${r.quantity}`)
}
</script>

<template>
  <NTable :bordered="false" size="small">
    <thead>
      <tr>
        <th>{{ common.step }}</th>
        <th class="num">{{ common.given }}</th>
        <th v-if="hasVolts" class="num">{{ texts.pinHeading }}</th>
        <th v-if="isCounted" class="num">{{ rawName }}<br />{{ texts.limitsHeading }}</th>
        <th class="num">{{ texts.shouldPrint }}<br />{{ texts.limitsHeading }}</th>
        <th v-if="hasStates">{{ texts.outputs }}</th>
        <th v-if="predicted" class="num">{{ texts.predicted }}</th>
        <th v-if="readings" class="num">{{ common.printed }}</th>
        <th v-if="readings">
          <span class="visually-hidden">{{ common.verdict }}</span>
        </th>
      </tr>
    </thead>
    <tbody>
      <template v-for="step in sheet.steps" :key="step.name">
        <tr v-for="(r, index) in step.readings" :key="`${r.ref}.${r.quantity}`" :class="{ more: index > 0 }">
          <td>
            {{ index === 0 ? step.name : '' }}
            <span v-if="several" class="soft block text-sm">{{ r.name }}</span>
          </td>
          <td class="num v">{{ given(r) }}</td>
          <td v-if="hasVolts" class="num v">{{ r.volts ? `${fixed(r.volts.expected, 3)} V` : '' }}</td>
          <td v-if="isCounted" class="num v">
            <template v-if="['count', 'µs'].includes(r.raw_unit)">
              {{ Math.round(r.count.expected + off(r)[1]!) }}{{ r.raw_unit === 'µs' ? ' µs' : '' }}<br />
              <span class="soft"
                >{{ Math.round(r.count.low + off(r)[0]!) }}–{{ Math.round(r.count.high + off(r)[2]!) }}</span
              >
            </template>
          </td>
          <td class="num v">
            <template v-if="bare(r)">{{ r.printed }}</template>
            <template v-else>
              {{ fixed(r.value.expected + off(r)[4]!, r.decimals) }} {{ r.unit }}<br />
              <span class="soft"
                >{{ fixed(r.value.low + off(r)[3]!, r.decimals) }} …
                {{ fixed(r.value.high + off(r)[5]!, r.decimals) }}</span
              >
            </template>
          </td>
          <td v-if="hasStates">
            <span v-if="index === 0" :class="{ open: states(step).includes('either') }">{{
              states(step)
            }}</span>
            <span v-if="r.exempt" class="text-fix block text-sm">{{ texts.flatEnd }}</span>
            <span v-else-if="r.saturated" class="text-fix block text-sm">{{ texts.endOfRange }}</span>
          </td>
          <td v-if="predicted" class="num">
            <template v-if="predictionOf(step.name, r)">
              <b class="v">{{ fixed(predictionOf(step.name, r)!.value, r.decimals) }}</b>
              <span
                v-if="predictionOf(step.name, r)!.verdict"
                class="verdict block w-fit ml-auto font-semibold text-sm py-px px-2 rounded whitespace-nowrap"
                :class="verdictWords(predictionOf(step.name, r)!.verdict!).tone"
                >{{ verdictWords(predictionOf(step.name, r)!.verdict!).word }}</span
              >
            </template>
            <span v-else class="soft">{{ texts.none }}</span>
          </td>
          <template v-if="readings">
            <td class="num v">
              <template v-if="readOf(step.name, index)?.said">{{ readOf(step.name, index)!.said }}</template>
              <template v-else>
                <b>{{ fixed(readOf(step.name, index)?.centre, r.decimals) }}</b>&nbsp;{{
                  readOf(step.name, index)?.centre == null ? '' : r.unit
                }}
              </template>
            </td>
            <td>
              <span
                v-if="readOf(step.name, index)"
                class="verdict font-semibold text-sm py-px px-2 rounded whitespace-nowrap"
                :class="verdictWords(readOf(step.name, index)!.verdict).tone"
              >
                {{ verdictWords(readOf(step.name, index)!.verdict).word }}
              </span>
            </td>
          </template>
        </tr>
      </template>
    </tbody>
  </NTable>
</template>

<style scoped>
.good {
  background: var(--good-bg);
  color: var(--good);
}
.stop {
  background: var(--stop-bg);
  color: var(--stop);
}
.check {
  background: var(--check-bg);
  color: var(--check);
}
.open {
  color: var(--fix);
}
tr.more td {
  border-top: 0;
}
</style>
