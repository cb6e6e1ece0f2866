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
  <figure>
    <VChart
      class="plot"
      :option="option"
      :update-options="{ notMerge: true }"
      autoresize
      role="img"
      :aria-label="texts.theRunOnTheTwin"
    />
    <figcaption class="soft">
      <template v-if="!tags"
        ><span class="key line" /> {{ texts.givenToTheSensor }} <span class="key dot" />
        {{ texts.printedByTheProgram }}</template
      >
      <template v-if="lanes.length"><span class="key bar" /> {{ texts.on }}</template>
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
.plot {
  height: v-bind(height);
  width: 100%;
}
figcaption {
  font-size: 13.5px;
  display: flex;
  gap: 7px;
  align-items: center;
  padding-left: 58px;
}
.key {
  display: inline-block;
  width: 18px;
  height: 9px;
  margin-left: 8px;
}
.line {
  height: 2px;
  background: var(--copper);
}
.dot {
  width: 6px;
  height: 6px;
  border-radius: 50%;
  background: var(--ink);
}
.bar {
  background: var(--act);
}
</style>
