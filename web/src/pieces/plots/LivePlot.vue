<script setup lang="ts">
// Readings as they come, step after step, with the band in which this bench should print where that is told.
import { computed } from 'vue'
import VChart from 'vue-echarts'
import type { Schemas } from '@/api/client'
import { livePlot as texts } from '@texts/plots'
import { axis, inks } from './echarts'

const props = defineProps<{ steps: Schemas['LiveStepOut'][]; unit: string }>()
const placed = computed(() => {
  let at = 0
  return props.steps.map((step) => {
    const from = at
    at += step.values.length
    return { ...step, from, to: at }
  })
})
/** Wide enough for the readings and for the bands. */
const range = computed(() => {
  const known = placed.value.filter((step) => step.values.length)
  const all = known.flatMap((step) => [
    ...step.values,
    step.low ?? step.values[0]!,
    step.high ?? step.values[0]!,
  ])
  const margin = (Math.max(...all) - Math.min(...all)) * 0.06 || 1
  return { min: Math.floor(Math.min(...all) - margin), max: Math.ceil(Math.max(...all) + margin) }
})
const option = computed(() => {
  const c = inks()
  const known = placed.value.filter((step) => step.values.length)
  const points = (out: boolean) =>
    known.flatMap((step) =>
      (step.verdict === 'out') === out ? step.values.map((value, i) => [step.from + i, value]) : [],
    )
  return {
    animation: false,
    textStyle: { fontFamily: c.text },
    grid: { left: 64, right: 14, top: 26, bottom: 24 },
    xAxis: axis('', c, {
      type: 'value',
      min: 0,
      max: Math.max(10, known.at(-1)?.to ?? 10),
      axisLabel: { show: false },
    }),
    yAxis: axis('', c, {
      scale: true,
      ...range.value,
      axisLabel: { color: c.soft, fontFamily: c.mono, fontSize: 12, formatter: `{value} ${props.unit}` },
    }),
    series: [
      {
        type: 'scatter',
        data: points(false),
        symbolSize: 6,
        itemStyle: { color: c.good },
        markArea: {
          silent: true,
          itemStyle: { color: c.copperSoft, opacity: 0.85 },
          data: known
            .filter((step) => step.low !== null)
            .map((step) => [{ coord: [step.from, step.low] }, { coord: [step.to, step.high] }]),
        },
        markLine: {
          silent: true,
          symbol: 'none',
          lineStyle: { color: c.soft, type: 'dotted' },
          label: { position: 'end', align: 'left', distance: 4, color: c.soft, fontFamily: c.text },
          data: known.map((step) => ({ xAxis: step.from, label: { formatter: step.name } })),
        },
      },
      {
        type: 'scatter',
        data: points(true),
        symbol: 'path://M0,0L3,3M3,0L0,3',
        symbolSize: 8,
        itemStyle: { color: c.stop, borderColor: c.stop, borderWidth: 2 },
      },
    ],
  }
})
</script>

<template>
  <VChart class="plot" :option="option" autoresize role="img" :aria-label="texts.label" />
</template>

<style scoped>
.plot {
  height: 220px;
  width: 100%;
}
</style>
