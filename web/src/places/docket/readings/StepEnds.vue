<script setup lang="ts">
// The first reading through the whole log, and where each step begins. A begin is moved by dragging or with the arrow keys; the log
// is then judged anew.
import { NButton, NFlex } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { stepEnds as texts } from '@texts/docket-readings'
import { WIDTH, indexOf, moved, pathOf } from './step-ends'

const props = defineProps<{
  drawn: Schemas['LogPointOut'][]
  begins: Schemas['StepBeginOut'][]
  /** The line that is looked at: where a step that was not found is set to begin. */
  looked: number | null
  save: (name: string, value: number, instrument: string) => Promise<unknown>
}>()
const HEIGHT = 120
/** The place of each begin among the points, while it is moved and until the server has judged. */
const at = ref<Record<string, number>>({})
const saving = ref(false)
watch(
  () => props.begins,
  (begins) => {
    at.value = Object.fromEntries(
      begins.filter((b) => b.line !== null).map((b) => [b.name, indexOf(props.drawn, b.line!)]),
    )
  },
  { immediate: true },
)
const path = computed(() => pathOf(props.drawn, HEIGHT))
const handles = computed(() =>
  props.begins
    .filter((b) => b.name in at.value)
    .map((b) => ({ ...b, index: at.value[b.name]!, x: (at.value[b.name]! / props.drawn.length) * WIDTH })),
)
/** Names that would lie on one another go to a second and third row. */
const rows = computed(() => {
  const ends: number[] = []
  return [...handles.value]
    .sort((a, b) => a.x - b.x)
    .reduce<Record<string, number>>((found, h) => {
      let row = ends.findIndex((end) => end <= h.x)
      if (row < 0) row = ends.length
      ends[row] = h.x + h.step.length * 8 + 24
      found[h.name] = row
      return found
    }, {})
})
const top = computed(() => 18 * (Math.max(0, ...Object.values(rows.value)) + 1) + 4)
const missing = computed(() => props.begins.filter((b) => b.line === null))
const someMoved = computed(() => props.begins.some((b) => b.is_moved))
const box = ref<SVGSVGElement | null>(null)
const dragged = ref('')

async function keep(name: string, line: number) {
  saving.value = true
  try {
    await props.save(name, line, texts.byAPerson)
  } finally {
    saving.value = false
  }
}
function settle(name: string) {
  const line = props.drawn[at.value[name]!]?.line
  if (line !== undefined && line !== props.begins.find((b) => b.name === name)?.line) void keep(name, line)
}
function press(event: PointerEvent, name: string) {
  dragged.value = name
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}
function drag(event: PointerEvent) {
  if (!dragged.value || !box.value) return
  const { left, width } = box.value.getBoundingClientRect()
  const share = (event.clientX - left) / width
  at.value[dragged.value] = Math.max(
    0,
    Math.min(props.drawn.length - 1, Math.round(share * props.drawn.length)),
  )
}
function release() {
  const name = dragged.value
  dragged.value = ''
  if (name) settle(name)
}
function key(event: KeyboardEvent, name: string) {
  const to = moved(event.key, at.value[name]!, props.drawn.length)
  if (to !== null) {
    event.preventDefault()
    at.value[name] = to
  } else if (event.key === 'Enter') settle(name)
  else if (event.key === 'Escape')
    at.value[name] = indexOf(props.drawn, props.begins.find((b) => b.name === name)!.line!)
}
async function asFound() {
  for (const begin of props.begins.filter((b) => b.is_moved)) await keep(begin.name, 0)
}
</script>

<template>
  <figure
    v-if="drawn.length > 1"
    class="relative border border-line rounded pt-1.5 pb-0 px-0 m-0 overflow-hidden"
    :aria-busy="saving"
  >
    <figcaption class="flex flex-wrap gap-y-1 gap-x-3 items-baseline py-0 px-2.5 h-7">
      <span class="field-label">{{ texts.heading }}</span>
      <span class="soft">{{ texts.help }}</span>
      <NButton v-if="someMoved" type="primary" quaternary :disabled="saving" @click="asFound">
        {{ texts.reset }}
      </NButton>
    </figcaption>
    <svg
      ref="box"
      :viewBox="`0 0 ${WIDTH} ${HEIGHT + top}`"
      preserveAspectRatio="none"
      :style="{ height: `${HEIGHT + top}px` }"
      @pointermove="drag"
      @pointerup="release"
      @pointercancel="release"
    >
      <path :d="path" :transform="`translate(0 ${top})`" class="trace" vector-effect="non-scaling-stroke" />
      <g
        v-for="h in handles"
        :key="h.name"
        class="handle"
        :class="{ moved: h.is_moved }"
        role="slider"
        tabindex="0"
        :aria-label="texts.begins(h.step)"
        :aria-valuenow="drawn[h.index]?.line"
        :aria-valuemin="drawn[0]!.line"
        :aria-valuemax="drawn.at(-1)!.line"
        :aria-valuetext="texts.line(drawn[h.index]!.line, drawn[h.index]!.value)"
        @pointerdown="press($event, h.name)"
        @keydown="key($event, h.name)"
        @blur="settle(h.name)"
      >
        <rect :x="h.x - 8" y="0" width="16" :height="HEIGHT + top" class="grip" />
        <line
          :x1="h.x"
          :x2="h.x"
          :y1="18 * rows[h.name]!"
          :y2="HEIGHT + top"
          vector-effect="non-scaling-stroke"
        />
      </g>
    </svg>
    <span
      v-for="h in handles"
      :key="h.name"
      class="name"
      aria-hidden="true"
      :style="{ left: `${(100 * h.x) / WIDTH}%`, top: `${34 + 18 * rows[h.name]!}px` }"
      >{{ h.step }}</span
    >
    <NFlex v-if="missing.length" align="center" size="small" class="py-2 px-2.5 border-t border-t-line">
      <span>{{ texts.missingSteps }}</span>
      <NButton
        v-for="b in missing"
        :key="b.name"
        type="primary"
        ghost
        :disabled="saving || looked === null"
        @click="keep(b.name, looked!)"
      >
        {{ texts.beginsOnLine(b.step, looked ?? '…') }}
      </NButton>
    </NFlex>
  </figure>
</template>

<style scoped>
figcaption .n-button {
  margin-left: auto;
}
svg {
  display: block;
  width: 100%;
  touch-action: none;
}
.trace {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.4;
}
.handle {
  cursor: ew-resize;
  outline: none;
}
.handle line {
  stroke: var(--copper);
  stroke-width: 2;
}
.grip {
  fill: transparent;
}
.handle:hover .grip,
.handle:focus .grip {
  fill: var(--copper-soft);
}
.handle:focus line {
  stroke-width: 4;
}
.handle.moved line {
  stroke-dasharray: 5 3;
}
.name {
  position: absolute;
  font-size: 12.5px;
  padding-left: 6px;
  white-space: nowrap;
  pointer-events: none;
}
</style>
