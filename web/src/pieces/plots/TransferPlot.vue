<script setup lang="ts">
// Stimulus → count → printed value: the sheet's line with its limits, thresholds, ends of the converter, and the
// pair's readings over it. The server sends a dense table; nothing is computed here.
import { computed } from 'vue'
import VChart from 'vue-echarts'
import type { Schemas } from '@/api/client'
import { withUnit } from '@/shared/units'
import { capital, fixed } from '@/shared/words'
import { transferPlot as texts } from '@texts/plots'
import { afterPaint } from '@/shared/after-paint'
import { axis, inks } from './echarts'

const props = defineProps<{
  sheet: Schemas['SheetOut']
  reading: Schemas['ReadingOut']
  readings?: Schemas['StepVerdictOut'][]
  /** What a fault would print at the steps. */
  would?: Schemas['WouldPrintOut'][]
  /** Show the raw reading instead of the printed value. */
  raw?: boolean
  /** How far the sheet is off at a stimulus, while sliders move. */
  shift?: (stimulus: number) => number[]
  /** A stimulus to mark. */
  at?: number
}>()

const rows = computed(() =>
  props.reading.plot.map((row) => {
    const off = props.shift?.(row[0]!) ?? [0, 0, 0, 0, 0, 0]
    return [row[0]!, ...off.map((shift, i) => row[i + 1]! + shift)]
  }),
)
const unit = computed(() => (props.raw ? props.reading.raw_unit : props.reading.unit))
const rises = computed(() => (rows.value.at(-1)?.[5] ?? 0) >= (rows.value[0]?.[5] ?? 0))
const isMain = computed(() => props.sheet.readings[0]?.key === props.reading.key)
/** Where a reading should have come from: what the sensor got, volts, count, and what should be printed. */
function chainOf(step: Schemas['SheetStepOut'], line?: number): string {
  const r = step.readings[0]!
  const parts = [
    withUnit(r.stimulus.expected, props.reading.stimulus_unit),
    r.volts ? `${fixed(r.volts.expected, 3)} V` : '',
    r.raw_unit === 'count' ? texts.count(Math.round(r.count.expected)) : '',
    texts.shouldPrint(fixed(r.value.expected, r.decimals), r.unit).trim(),
  ]
  return `${step.name}${line ? texts.line(line) : ''}: ${parts.filter(Boolean).join(' → ')}`
}
const points = computed(() =>
  !isMain.value || props.raw
    ? []
    : (props.readings ?? []).flatMap((step) => {
        const expected = props.sheet.steps.find((s) => s.name === step.name)
        return expected
          ? step.values.map((v, i) => ({
              name: chainOf(expected, step.lines[i]),
              value: [expected.stimulus.expected, v],
              out: step.verdict === 'out',
            }))
          : []
      }),
)
const wouldPrint = computed(() => {
  const position = props.sheet.readings.findIndex((r) => r.key === props.reading.key)
  if (props.raw) return []
  return (props.would ?? []).flatMap((one) => {
    const at = steps.value.find((s) => s.name === one.step)
    return at && one.reading === position && one.value !== null ? [[at.at, one.value]] : []
  })
})
/** Steps of the plan as ticks on the stimulus axis. */
const steps = computed(() =>
  props.sheet.steps.flatMap((step) =>
    step.readings
      .filter((r) => `${r.ref}.${r.quantity}` === props.reading.key)
      .map((r) => ({ name: step.name, at: r.stimulus.expected, low: r.stimulus.low, high: r.stimulus.high })),
  ),
)

const option = computed(() => {
  const c = inks()
  const [low, mid, high] = props.raw ? [1, 2, 3] : [4, 5, 6]
  const stimulus = props.reading.stimulus_unit
  return {
    animation: false,
    textStyle: { fontFamily: c.text },
    grid: { left: 56, right: 22, top: 30, bottom: 42 },
    tooltip: {
      trigger: 'item',
      renderMode: 'richText',
      backgroundColor: c.sheet,
      textStyle: { color: c.ink, fontFamily: c.mono },
    },
    xAxis: axis(texts.axisLabel(stimulus).trim(), c, {
      type: props.reading.in_decades ? 'log' : 'value',
      nameLocation: 'middle',
      nameGap: 26,
      min: rows.value[0]?.[0],
      max: rows.value.at(-1)?.[0],
    }),
    yAxis: axis(
      props.raw
        ? texts.read(props.reading.raw_unit)
        : capital(`${props.reading.name}${unit.value ? `, ${unit.value}` : ''}`),
      c,
      { nameTextStyle: { color: c.soft, fontFamily: c.text, fontSize: 13, align: 'left' } },
    ),
    series: [
      {
        type: 'line',
        data: rows.value.map((r) => [r[0], r[low!]]),
        stack: 'band',
        stackStrategy: 'all',
        symbol: 'none',
        lineStyle: { opacity: 0 },
        silent: true,
      },
      {
        type: 'line',
        data: rows.value.map((r) => [r[0], r[high!]! - r[low!]!]),
        stack: 'band',
        stackStrategy: 'all',
        symbol: 'none',
        lineStyle: { opacity: 0 },
        areaStyle: { color: c.copperSoft, opacity: 0.85 },
        silent: true,
      },
      {
        type: 'line',
        data: rows.value.map((r) => [r[0], r[mid!]]),
        symbol: 'none',
        lineStyle: { color: c.copper, width: 2 },
        silent: true,
        markLine: {
          symbol: 'none',
          silent: true,
          lineStyle: { color: c.act, type: 'dashed', width: 1.6 },
          label: {
            color: c.act,
            fontFamily: c.mono,
            fontSize: 12,
            position: rises.value ? 'insideStartTop' : 'insideEndTop',
          },
          data: [
            ...(props.raw
              ? []
              : props.reading.thresholds.map((t) => ({
                  yAxis: t.printed,
                  label: {
                    formatter: t.own
                      ? texts.ownThreshold(fixed(t.printed, props.reading.decimals), unit.value)
                      : texts.threshold(withUnit(t.printed, unit.value)),
                  },
                }))),
            ...(props.at === undefined
              ? []
              : [
                  {
                    xAxis: props.at,
                    lineStyle: { color: c.copper, type: 'solid', width: 1.4 },
                    label: { show: false },
                  },
                ]),
          ],
        },
        markArea: {
          silent: true,
          itemStyle: { color: c.line, opacity: 0.55 },
          data: steps.value.map((s) => [
            { xAxis: s.low, label: { show: false } },
            { xAxis: s.high === s.low ? s.high : s.high },
          ]),
        },
      },
      {
        type: 'scatter',
        name: texts.steps,
        z: 5,
        data: steps.value.map((s) => {
          const row = props.sheet.steps.find((one) => one.name === s.name)!
          const r = row.readings.find((one) => `${one.ref}.${one.quantity}` === props.reading.key)!
          const off = props.shift?.(s.at) ?? [0, 0, 0, 0, 0, 0]
          return {
            name: s.name,
            value: [s.at, props.raw ? r.count.expected + off[1]! : r.value.expected + off[4]!],
          }
        }),
        symbol: 'rect',
        symbolSize: 8,
        itemStyle: { color: c.sheet, borderColor: c.copper, borderWidth: 2, opacity: 1 },
        tooltip: {
          formatter: (p: { name: string; value: number[] }) =>
            `${p.name}: ${withUnit(p.value[1]!, unit.value)}`,
        },
      },
      {
        type: 'line',
        name: texts.wouldPrint,
        z: 5,
        data: wouldPrint.value,
        symbol: 'diamond',
        symbolSize: 17,
        lineStyle: { color: c.act, type: 'dotted', width: 1.6 },
        itemStyle: { color: 'transparent', borderColor: c.act, borderWidth: 2 },
        tooltip: {
          formatter: (p: { value: number[] }) => texts.wouldPrintValue(withUnit(p.value[1]!, unit.value)),
        },
      },
      ...[false, true].map((out) => ({
        type: 'scatter',
        name: out ? 'out' : texts.withinLimits,
        z: 6, // over the band, which is drawn translucent
        data: points.value.filter((p) => p.out === out),
        symbol: out ? 'path://M0,0L3,3M3,0L0,3' : 'circle',
        symbolSize: out ? 9 : 8,
        itemStyle: out
          ? { opacity: 1, color: c.stop, borderColor: c.stop, borderWidth: 2 }
          : { opacity: 1, color: c.good, borderColor: c.sheet, borderWidth: 1 },
        tooltip: {
          formatter: (p: { name: string; value: number[] }) =>
            texts.printed(p.name, withUnit(p.value[1]!, unit.value)),
        },
      })),
    ],
  }
})
const drawn = afterPaint(() => option.value)
</script>

<template>
  <figure class="m-0 min-w-0">
    <VChart
      class="plot"
      :option="drawn"
      autoresize
      :aria-label="texts.whatIsPrinted(reading.name, reading.stimulus_unit)"
      role="img"
    />
    <figcaption class="soft text-sm flex gap-y-1 gap-x-3.5 items-center pl-13 flex-wrap">
      <span><span class="key line inline-block w-4.5 h-2.5 mr-2" />{{ texts.expected }}</span>
      <span><span class="key band inline-block w-4.5 h-2.5 mr-2" />{{ texts.limits }}</span>
      <span><span class="key step inline-block w-4.5 h-2.5 mr-2" />{{ texts.steps }}</span>
      <template v-if="points.length">
        <span><span class="key dot inline-block w-4.5 h-2.5 mr-2" />{{ texts.readingsInLimits }}</span>
        <span><span class="key x inline-block w-4.5 h-2.5 mr-2">×</span>{{ texts.out }}</span>
      </template>
      <span v-if="wouldPrint.length"
        ><span class="key diamond inline-block w-4.5 h-2.5 mr-2">◇</span>{{ texts.faultLine }}</span
      >
    </figcaption>
  </figure>
</template>

<style scoped>
.plot {
  height: 262px;
  width: 100%;
}
.line {
  height: 2px;
  background: var(--copper);
}
.band {
  background: var(--copper-soft);
}
.step {
  width: 9px;
  height: 9px;
  border: 2px solid var(--copper);
}
.dot {
  width: 8px;
  height: 8px;
  border-radius: 50%;
  background: var(--good);
}
.diamond {
  color: var(--act);
  font-weight: 700;
  width: auto;
  height: auto;
  line-height: 1;
}
.x {
  color: var(--stop);
  font-weight: 700;
  width: auto;
  height: auto;
  line-height: 1;
}
</style>
