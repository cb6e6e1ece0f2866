<script setup lang="ts">
// The run of a program on the twin: plot, table of what was asked and done, printed lines; one stretch at a time if wanted.
import { NButton, NFlex } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { RunPlot } from '@/pieces/lazy'
import { useKeys } from '@/shared/keys'
import { capital } from '@/shared/words'
import { runStudy as texts } from '@texts/docket'
import RunOutput from './RunOutput.vue'
import RunTable from './RunTable.vue'

const props = defineProps<{
  trace: Schemas['TraceOut']
  behaviour: Schemas['BehaviourOut'] | null
  thresholds: number[]
  unit: string
  /** A moment (ms) to look at: the stretch of the run that it lies in. */
  moment?: number | null
}>()
const picked = ref<string | null>(null)
watch(
  () => props.trace,
  () => (picked.value = null),
)
const rows = computed(() => props.behaviour?.outcomes ?? [])
watch(
  () => props.moment,
  (ms) => {
    if (ms === null || ms === undefined) return
    picked.value = rows.value.find((row) => row.start_ms <= ms && ms < row.end_ms)?.name ?? null
  },
  { immediate: true },
)
const shown = computed(() => rows.value.find((row) => row.name === picked.value) ?? null)
const first = computed(() => {
  const at = props.behaviour?.first_divergence_ms ?? null
  return at === null
    ? null
    : (rows.value.find((r) => !r.agrees && r.start_ms <= at && at <= r.end_ms) ?? null)
})
/** From stretch to stretch, `null` being the whole run. */
function step(by: number) {
  const names = [null, ...rows.value.map((row) => row.name)]
  picked.value = names[(names.indexOf(picked.value) + by + names.length) % names.length] ?? null
}
useKeys({
  d: { does: texts.keyFirstDifference, act: () => (picked.value = first.value?.name ?? picked.value) },
  w: { does: texts.keyWholeRun, act: () => (picked.value = null) },
  ']': { does: texts.keyNextStretch, act: () => step(1) },
  '[': { does: texts.stretchBefore, act: () => step(-1) },
})
</script>

<template>
  <NFlex vertical size="small" class="study">
    <div class="bar flex gap-2.5 items-center min-h-9">
      <b class="now text-lg">{{ shown ? capital(shown.name) : texts.wholeRun }}</b>
      <NButton
        v-if="first && picked !== first.name"
        type="primary"
        quaternary
        class="parts"
        @click="picked = first.name"
      >
        {{ texts.firstDifference }} <kbd>D</kbd>
      </NButton>
      <NButton v-if="shown" type="primary" quaternary @click="picked = null"
        >{{ texts.wholeRun }} <kbd>W</kbd></NButton
      >
    </div>
    <RunPlot :trace="trace" :behaviour="behaviour" :thresholds="thresholds" :shown="shown" />
    <RunTable v-if="behaviour" v-model:picked="picked" :behaviour="behaviour" :unit="unit" />
    <RunOutput :trace="trace" :shown="shown" />
  </NFlex>
</template>

<style scoped>
.parts {
  color: var(--stop);
}
</style>
