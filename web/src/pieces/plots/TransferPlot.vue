<script setup lang="ts">
// Stimulus → printed value: the sheet's line with its limits, the threshold, and the pair's readings over it.
// The server sends a dense table; nothing is computed here.
import { computed } from 'vue'
import VChart from 'vue-echarts'
import type { Schemas } from '@/api/client'
import { axis, inks } from './echarts'

const props = defineProps<{
  sheet: Schemas['SheetOut']
  readings?: Schemas['StepVerdictOut'][]
  thresholds?: number[]
}>()

const option = computed(() => {
  const c = inks()
  const rows = props.sheet.plot
  const low = rows.map((r) => [r[0]!, r[4]!])
  const width = rows.map((r) => [r[0]!, r[6]! - r[4]!])
  const points = (props.readings ?? []).flatMap((step) => {
    const expected = props.sheet.steps.find((s) => s.name === step.name)
    return expected
      ? step.values.map((v) => ({ value: [expected.stimulus.expected, v], out: step.verdict === 'out' }))
      : []
  })
  const points_ = (out: boolean) => points.filter((p) => p.out === out).map((p) => p.value)
  return {
    animation: false,
    textStyle: { fontFamily: c.text },
    grid: { left: 52, right: 22, top: 30, bottom: 40 },
    tooltip: {
      trigger: 'item',
      renderMode: 'richText',
      backgroundColor: c.sheet,
      textStyle: { color: c.ink, fontFamily: c.mono },
    },
    xAxis: axis(`${props.sheet.unit} at the sensor`, c, {
      nameLocation: 'middle',
      nameGap: 26,
      min: rows[0]?.[0],
      max: rows.at(-1)?.[0],
    }),
    yAxis: axis(`${props.sheet.unit} printed`, c, {
      nameTextStyle: { color: c.soft, fontFamily: c.text, fontSize: 13, align: 'left' },
    }),
    series: [
      { type: 'line', data: low, stack: 'band', symbol: 'none', lineStyle: { opacity: 0 }, silent: true },
      {
        type: 'line',
        data: width,
        stack: 'band',
        symbol: 'none',
        lineStyle: { opacity: 0 },
        areaStyle: { color: c.copperSoft, opacity: 0.85 },
        silent: true,
      },
      {
        type: 'line',
        data: rows.map((r) => [r[0]!, r[5]!]),
        symbol: 'none',
        lineStyle: { color: c.copper, width: 2 },
        silent: true,
        markLine: {
          symbol: 'none',
          silent: true,
          lineStyle: { color: c.act, type: 'dashed', width: 1.6 },
          label: {
            formatter: 'alarm {c} ' + props.sheet.unit,
            color: c.act,
            fontFamily: c.mono,
            fontSize: 12,
            position: 'insideEndTop',
          },
          data: (props.thresholds ?? []).map((t) => ({ yAxis: t })),
        },
      },
      {
        type: 'scatter',
        name: 'in limits',
        z: 6, // over the band, which is drawn translucent
        data: points_(false),
        symbolSize: 8,
        itemStyle: { opacity: 1, color: c.good, borderColor: c.sheet, borderWidth: 1 },
        tooltip: { formatter: (p: { value: number[] }) => `${p.value[1]} ${props.sheet.unit}` },
      },
      {
        type: 'scatter',
        name: 'out',
        z: 6,
        data: points_(true),
        symbol: 'path://M0,0L3,3M3,0L0,3',
        symbolSize: 9,
        itemStyle: { opacity: 1, color: c.stop, borderColor: c.stop, borderWidth: 2 },
        tooltip: { formatter: (p: { value: number[] }) => `${p.value[1]} ${props.sheet.unit}` },
      },
    ],
  }
})
</script>

<template>
  <figure>
    <VChart
      class="plot"
      :option="option"
      autoresize
      :aria-label="`Expected ${sheet.unit} printed over ${sheet.unit} at the sensor, with limits`"
      role="img"
    />
    <figcaption class="soft">
      <span class="key line" /> expected <span class="key band" /> limits
      <template v-if="readings?.length"
        ><span class="key dot" /> readings in limits <span class="key x">×</span> out</template
      >
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
.plot {
  height: 262px;
  width: 100%;
}
figcaption {
  font-size: 13.5px;
  display: flex;
  gap: 7px;
  align-items: center;
  padding-left: 52px;
  flex-wrap: wrap;
}
.key {
  display: inline-block;
  width: 18px;
  height: 10px;
  margin-left: 8px;
}
.line {
  height: 2px;
  background: var(--copper);
}
.band {
  background: var(--copper-soft);
}
.dot {
  width: 8px;
  height: 8px;
  border-radius: 50%;
  background: var(--good);
}
.x {
  color: var(--stop);
  font-weight: 700;
  width: auto;
  height: auto;
  line-height: 1;
}
</style>
