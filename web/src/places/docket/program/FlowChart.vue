<script setup lang="ts">
// The flow chart of a program, drawn from places the server worked out. A line of the program lights its box.
import { NButton } from 'naive-ui'
import { computed, nextTick, ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { flowChart as texts } from '@texts/docket'

const props = defineProps<{ charts: Schemas['FlowOut'][]; line: number | null }>()
const emit = defineEmits<{ pick: [line: number] }>()
const chosen = ref(props.charts.find((c) => c.name === 'loop')?.name ?? props.charts[0]?.name ?? '')
const chart = computed(() => props.charts.find((c) => c.name === chosen.value) ?? props.charts[0] ?? null)
const host = ref<HTMLElement>()
type Box = Schemas['FlowBoxOut']
const holds = (box: Box) => props.line !== null && box.first_line <= props.line && props.line <= box.last_line
const LINE = 17
const PAD = 9

function outline(b: Box): string {
  const [left, right, top, bottom] = [b.x - b.width / 2, b.x + b.width / 2, b.y, b.y + b.height]
  const middle = (top + bottom) / 2
  if (b.kind === 'decision')
    return `M${left} ${middle}L${left + 14} ${top}H${right - 14}L${right} ${middle}L${right - 14} ${bottom}H${left + 14}Z`
  if (b.kind === 'terminal' || b.kind === 'end') {
    const r = Math.min(b.height / 2, 14)
    return `M${left + r} ${top}H${right - r}A${r} ${r} 0 0 1 ${right - r} ${bottom}H${left + r}A${r} ${r} 0 0 1 ${left + r} ${top}Z`
  }
  if (b.kind === 'show') return `M${left + 8} ${top}H${right}L${right - 8} ${bottom}H${left}Z`
  return `M${left} ${top}H${right}V${bottom}H${left}Z`
}
function labelAt(way: Schemas['FlowWayOut']): [number, number] {
  const [[x = 0, y = 0] = [], [nextX = 0] = []] = way.points
  return [x + 5, y + (nextX === x ? 15 : -4)]
}
// The function that holds the line comes to the front, and its box into sight.
watch(
  () => props.line,
  async (line) => {
    if (line === null) return
    const home = props.charts.find((c) => c.boxes.slice(1, -1).some(holds))
    if (home) chosen.value = home.name
    await nextTick()
    host.value?.querySelector('.box.lit')?.scrollIntoView({ block: 'center', inline: 'nearest' })
  },
)
</script>

<template>
  <div v-if="chart" class="grid grid-cols-1 gap-1.5 content-start min-w-0">
    <nav v-if="charts.length > 1" :aria-label="texts.functions">
      <NButton
        v-for="c in charts"
        :key="c.name"
        text
        :aria-pressed="c.name === chart.name"
        @click="chosen = c.name"
      >
        {{ c.name }}
      </NButton>
    </nav>
    <div ref="host" class="scroll overflow-auto max-h-[62vh]" tabindex="0" :aria-label="texts.flowChart">
      <svg
        :viewBox="`0 0 ${chart.width} ${chart.height}`"
        :width="chart.width"
        :height="chart.height"
        role="img"
        :aria-label="texts.flowChartOf(chart.name)"
      >
        <defs>
          <marker
            id="flow-tip"
            viewBox="0 0 8 8"
            refX="7"
            refY="4"
            markerWidth="7"
            markerHeight="7"
            orient="auto"
          >
            <path d="M0 0L8 4L0 8Z" class="tip" />
          </marker>
        </defs>
        <template v-for="(way, index) in chart.ways" :key="index">
          <polyline
            :points="way.points.map((p) => p.join(',')).join(' ')"
            class="way"
            :marker-end="way.arrow ? 'url(#flow-tip)' : undefined"
          />
          <text v-if="way.label" :x="labelAt(way)[0]" :y="labelAt(way)[1]" class="label">
            {{ way.label }}
          </text>
        </template>
        <g
          v-for="(box, index) in chart.boxes"
          :key="`b${index}`"
          class="box cursor-pointer"
          :class="[box.kind, { lit: holds(box) && box.kind !== 'terminal' }]"
          @click="emit('pick', box.first_line)"
        >
          <path :d="outline(box)" />
          <text v-for="(text, n) in box.text" :key="n" :x="box.x" :y="box.y + PAD + LINE * n + 12.5">
            {{ text }}
          </text>
        </g>
      </svg>
    </div>
  </div>
</template>

<style scoped>
nav {
  display: flex;
  gap: 14px;
  flex-wrap: wrap;
}
nav .n-button {
  padding: 3px 0;
}
nav .n-button[aria-pressed='true'] {
  font-weight: 640;
  box-shadow: inset 0 -2px 0 var(--copper);
}
.way {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.3;
}
.tip {
  fill: var(--ink);
}
text {
  font: 13px var(--text);
  fill: var(--ink);
  text-anchor: middle;
}
.label {
  fill: var(--soft);
  text-anchor: start;
}
.box path {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.3;
}
.terminal path,
.end path {
  fill: var(--sunk);
}
.decision path {
  fill: var(--act-bg);
}
.show path {
  fill: var(--copper-soft);
}
.wait path {
  fill: var(--check-bg);
}
.box.lit path {
  fill: var(--lit);
  stroke-width: 3;
}
.box.lit text {
  fill: #1f2430;
  font-weight: 640;
}
</style>
