<script setup lang="ts">
import { computed } from 'vue'
import { sumDrawing as texts } from '@texts/sums'
import { DRAWINGS, type Shape } from './drawings'

const props = defineProps<{
  name: string
  /** What was entered and what came out, as text with units. */
  given: Record<string, string>
  results: Record<string, string>
}>()
const shapes = computed(() =>
  (DRAWINGS[props.name] ?? []).filter(
    (shape) => shape.kind !== 'box' || !shape.optional || props.given[shape.optional],
  ),
)
function words(label: string): string {
  return label
    .replace(/\$([\w-]+)/g, (_, key: string) => props.given[key] || '?')
    .replace(/=([\w-]+)/g, (_, key: string) => props.results[key] ?? '?')
}
/** Where a box that may be missing is joined to the rest. */
function stubs(shape: Extract<Shape, { kind: 'box' }>): string {
  if (props.name === 'parallel') return `${shape.x},40 ${shape.x},180`
  return props.name === 'divider' ? `${shape.x},109 ${shape.x},200 110,200` : ''
}
</script>

<template>
  <svg class="w-full max-w-120" viewBox="0 0 400 230" role="img" :aria-label="texts.label">
    <g v-for="(shape, index) in shapes" :key="index" :class="{ result: 'result' in shape && shape.result }">
      <polyline v-if="shape.kind === 'wire'" :points="shape.points" class="wire" />
      <template v-else-if="shape.kind === 'box'">
        <polyline v-if="shape.optional && stubs(shape)" :points="stubs(shape)" class="wire" />
        <rect
          :x="shape.x - (shape.flat ? 22 : 8)"
          :y="shape.y - (shape.flat ? 8 : 22)"
          :width="shape.flat ? 44 : 16"
          :height="shape.flat ? 16 : 44"
          rx="3"
          class="box"
        />
        <text
          :x="shape.flat ? shape.x : shape.x + 16"
          :y="shape.flat ? shape.y - 16 : shape.y + 5"
          :class="{ middle: shape.flat }"
        >
          {{ words(shape.label) }}
        </text>
      </template>
      <template v-else-if="shape.kind === 'light'">
        <circle :cx="shape.x" :cy="shape.y" r="16" class="box" />
        <path
          :d="`M${shape.x - 8} ${shape.y - 7}h16l-8 13z M${shape.x - 8} ${shape.y + 7}h16`"
          class="light"
        />
        <text :x="shape.x + 26" :y="shape.y + 5">{{ words(shape.label) }}</text>
      </template>
      <path
        v-else-if="shape.kind === 'ground'"
        :d="`M${shape.x - 13} ${shape.y}h26 M${shape.x - 8} ${shape.y + 6}h16 M${shape.x - 3} ${shape.y + 12}h6`"
        class="wire"
      />
      <template v-else-if="shape.kind === 'chip'">
        <rect :x="shape.x - 38" :y="shape.y - 13" width="76" height="26" rx="4" class="chip" />
        <text :x="shape.x" :y="shape.y + 5" class="middle">{{ words(shape.label) }}</text>
      </template>
      <circle v-else-if="shape.kind === 'dot'" :cx="shape.x" :cy="shape.y" r="4" class="dot" />
      <path
        v-else-if="shape.kind === 'switch'"
        :d="`M${shape.x - 14} ${shape.y - 16}v32 M${shape.x - 14} ${shape.y - 7}L${shape.x + 10} ${shape.y - 20} M${shape.x - 14} ${shape.y + 7}L${shape.x + 10} ${shape.y + 20} M${shape.x + 1} ${shape.y + 19}l9 1l-6 -7`"
        class="wire"
      />
      <text v-else :x="shape.x" :y="shape.y" class="word">{{ words(shape.label) }}</text>
    </g>
  </svg>
</template>

<style scoped>
.wire {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.8;
}
.box {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.8;
}
.light {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.8;
}
.chip {
  fill: var(--sunk);
  stroke: var(--pad);
}
.dot {
  fill: var(--ink);
}
text {
  font: 600 13px var(--mono);
  fill: var(--ink);
}
.middle {
  text-anchor: middle;
}
.word {
  fill: var(--soft);
  font-weight: 500;
}
.result .box,
.result .chip {
  fill: var(--copper-soft);
  stroke: var(--copper);
}
.result text {
  fill: var(--copper);
}
</style>
