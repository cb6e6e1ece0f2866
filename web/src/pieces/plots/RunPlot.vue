<script setup lang="ts">
// The run on the twin over time; `shown` is the stretch that is looked at, all of it when there is none.
import { computed } from 'vue'
import VChart from 'vue-echarts'
import type { Schemas } from '@/api/client'
import { runPlot as texts } from '@texts/plots'
import './echarts'
import { heightOf, lanesOf, runOption, type Stretch } from './run-option'

const props = defineProps<{
  trace: Schemas['TraceOut']
  behaviour: Schemas['BehaviourOut'] | null
  thresholds: number[]
  shown: Stretch | null
}>()
const option = computed(() => runOption(props))
const height = computed(() => `${heightOf(props)}px`)
const tags = computed(() => !!props.trace.stimulus[0]?.texts.length)
const lanes = computed(() => lanesOf(props))
</script>

<template>
  <figure class="m-0">
    <VChart
      class="plot"
      :option="option"
      :update-options="{ notMerge: true }"
      autoresize
      role="img"
      :aria-label="texts.label"
    />
    <figcaption class="soft text-sm flex gap-2 items-center pl-14.5">
      <template v-if="!tags"
        ><span class="key inline-block w-4.5 ml-2 h-0.5 bg-copper" /> {{ texts.stimulus }}
        <span class="key inline-block ml-2 w-1.5 h-1.5 rounded-full bg-ink" />
        {{ texts.printed }}</template
      >
      <template v-if="lanes.length"
        ><span class="key bar inline-block w-4.5 h-2 ml-2 bg-act" /> {{ texts.on }}</template
      >
    </figcaption>
  </figure>
</template>

<style scoped>
.plot {
  height: v-bind(height);
  width: 100%;
}
</style>
