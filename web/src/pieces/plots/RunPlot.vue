<script setup lang="ts">
// The run on the twin over time: stimulus, printed values, and when each light or sounder was on.
import { computed } from 'vue'
import VChart from 'vue-echarts'
import type { Schemas } from '@/api/client'
import { axis, inks } from './echarts'

const props = defineProps<{
  trace: Schemas['TraceOut']
  behaviour: Schemas['BehaviourOut'] | null
  thresholds: number[]
  unit: string
}>()

const refs = computed(() => [...new Set(props.trace.indicators.map((e) => e.ref))])
function spans(ref: string): [number, number][] {
  const out: [number, number][] = []
  let since: number | null = null
  for (const { ms, ref: who, on } of props.trace.indicators) {
    if (who !== ref) continue
    if (on) since ??= ms
    else if (since !== null) {
      out.push([since / 1000, ms / 1000])
      since = null
    }
  }
  if (since !== null) out.push([since / 1000, props.trace.ended_ms / 1000])
  return out
}
const printed = computed(() =>
  props.trace.lines.flatMap(({ ms, text }) => {
    const numbers = text.match(/-?\d+(\.\d+)?/g)
    return numbers?.length === 1 ? [[ms / 1000, Number(numbers[0])]] : []
  }),
)
const option = computed(() => {
  const c = inks()
  const end = props.trace.ended_ms / 1000
  const lanes = refs.value
  const divergence = props.behaviour?.first_divergence_ms
  return {
    animation: false,
    textStyle: { fontFamily: c.text },
    grid: [
      { left: 52, right: 16, top: 28, bottom: 46 + lanes.length * 20 },
      { left: 52, right: 16, height: lanes.length * 20, bottom: 40 },
    ],
    xAxis: [
      axis('', c, { gridIndex: 0, min: 0, max: end, axisLabel: { show: false } }),
      axis('seconds', c, {
        gridIndex: 1,
        min: 0,
        max: end,
        nameLocation: 'middle',
        nameGap: 24,
        splitLine: { show: false },
      }),
    ],
    yAxis: [
      axis(props.unit, c, { gridIndex: 0, nameTextStyle: { color: c.soft, align: 'right' } }),
      {
        type: 'category',
        gridIndex: 1,
        data: lanes,
        axisLabel: { color: c.ink, fontFamily: c.mono, fontSize: 12 },
        axisTick: { show: false },
        axisLine: { lineStyle: { color: c.line } },
      },
    ],
    series: [
      {
        type: 'line',
        data: props.trace.samples.map((s) => [s.ms / 1000, s.stimulus]),
        symbol: 'none',
        lineStyle: { color: c.copper, width: 2 },
        silent: true,
        markLine: {
          symbol: 'none',
          silent: true,
          label: {
            color: c.act,
            fontFamily: c.mono,
            fontSize: 12,
            position: 'insideEndTop',
            formatter: `threshold {c} ${props.unit}`,
          },
          lineStyle: { color: c.act, type: 'dashed' },
          data: [
            ...props.thresholds.map((t) => ({ yAxis: t })),
            ...(divergence !== null && divergence !== undefined
              ? [
                  {
                    xAxis: divergence / 1000,
                    lineStyle: { color: c.stop },
                    label: {
                      formatter: 'parts here',
                      color: c.stop,
                      position: 'end',
                      rotate: 0,
                      align: 'left',
                    },
                  },
                ]
              : []),
          ],
        },
      },
      { type: 'scatter', data: printed.value, symbolSize: 5, itemStyle: { color: c.ink }, silent: true },
      {
        type: 'custom',
        xAxisIndex: 1,
        yAxisIndex: 1,
        silent: true,
        data: lanes.flatMap((ref, lane) => spans(ref).map(([from, to]) => [lane, from, to])),
        renderItem: (_: unknown, api: { value: (n: number) => number; coord: (p: number[]) => number[] }) => {
          const [x1, y] = api.coord([api.value(1), api.value(0)]) as [number, number]
          const [x2] = api.coord([api.value(2), api.value(0)]) as [number]
          return {
            type: 'rect',
            shape: { x: x1, y: y - 6, width: Math.max(2, x2 - x1), height: 12 },
            style: { fill: c.act },
          }
        },
      },
    ],
  }
})
</script>

<template>
  <figure>
    <VChart class="plot" :option="option" autoresize role="img" aria-label="The run on the twin over time" />
    <figcaption class="soft">
      <span class="key line" /> given to the sensor <span class="key dot" /> printed by the program
      <template v-if="refs.length"><span class="key bar" /> on</template>
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
.plot {
  height: 270px;
  width: 100%;
}
figcaption {
  font-size: 13.5px;
  display: flex;
  gap: 7px;
  align-items: center;
  padding-left: 52px;
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
