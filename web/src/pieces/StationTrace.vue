<script setup lang="ts">
// The mark of the product: a copper track through six pads. Filled is done, ringed is where the pair is;
// a dot asks for a person, a cross was sent back or voided, empty is being worked at.
import { computed } from 'vue'
import { capital } from '@/shared/words'

interface Pad {
  station: string
  state?: string | null
}
const props = defineProps<{ stations: Pad[]; current: string; labels?: boolean; chosen?: string }>()
const emit = defineEmits<{ choose: [station: string] }>()

const GAP = 100
const pads = computed(() =>
  props.stations.map((pad, index) => ({
    ...pad,
    x: 14 + index * GAP,
    kind:
      pad.state === 'passed'
        ? 'done'
        : pad.state === 'asks'
          ? 'asks'
          : pad.state === 'sent-back' || pad.state === 'voided'
            ? 'back'
            : pad.state === 'working'
              ? 'here'
              : 'ahead',
  })),
)
const WORDS: Record<string, string> = {
  done: 'passed',
  asks: 'asks for a person',
  back: 'sent back',
  here: 'being worked at',
  ahead: 'not reached',
}
const said = computed(() => pads.value.map((pad) => `${capital(pad.station)} ${WORDS[pad.kind]}`).join(', '))
</script>

<template>
  <div v-if="labels" class="track" role="tablist" aria-label="Stations">
    <button
      v-for="(pad, index) in pads"
      :key="pad.station"
      role="tab"
      :aria-selected="(chosen ?? current) === pad.station"
      :class="['stop', pad.kind, { on: (chosen ?? current) === pad.station }]"
      @click="emit('choose', pad.station)"
    >
      <span>{{ capital(pad.station) }}</span>
      <svg viewBox="-50 -12 100 24" width="100%" height="24" preserveAspectRatio="none" aria-hidden="true">
        <line v-if="index > 0" x1="-50" y1="0" x2="0" y2="0" :class="pad.kind === 'ahead' ? 'bare' : 'run'" />
        <line
          v-if="index < pads.length - 1"
          x1="0"
          y1="0"
          x2="50"
          y2="0"
          :class="pads[index + 1]!.kind === 'ahead' ? 'bare' : 'run'"
        />
      </svg>
      <svg class="pad" viewBox="-12 -12 24 24" width="24" height="24" aria-hidden="true">
        <circle r="7" :class="pad.kind" />
        <circle v-if="pad.kind === 'asks'" r="3.2" class="dot" />
        <path v-if="pad.kind === 'back'" d="M-3-3L3 3M3-3L-3 3" class="cross" />
      </svg>
      <span class="visually-hidden">{{ WORDS[pad.kind] }}</span>
    </button>
  </div>
  <svg v-else class="small" :viewBox="`0 0 ${28 + GAP * 5} 28`" role="img" :aria-label="said">
    <template v-for="(pad, index) in pads" :key="pad.station">
      <line
        v-if="index > 0"
        :x1="pad.x - GAP"
        y1="14"
        :x2="pad.x"
        y2="14"
        :class="pad.kind === 'ahead' ? 'bare' : 'run'"
      />
    </template>
    <g v-for="pad in pads" :key="pad.station" :transform="`translate(${pad.x} 14)`">
      <circle :r="pad.kind === 'done' || pad.kind === 'ahead' ? 10 : 13" :class="pad.kind" />
      <circle v-if="pad.kind === 'asks'" r="5.5" class="dot" />
      <path v-if="pad.kind === 'back'" d="M-5-5L5 5M5-5L-5 5" class="cross" />
    </g>
  </svg>
</template>

<style scoped>
.small {
  width: 100%;
  display: block;
  overflow: visible;
}
line {
  stroke-width: 5;
}
.track line {
  stroke-width: 3;
}
.run {
  stroke: var(--copper);
}
.bare {
  stroke: var(--line);
}
circle {
  stroke-width: 4;
}
.track circle {
  stroke-width: 2.4;
}
circle.done {
  fill: var(--copper);
  stroke: var(--copper);
}
circle.ahead {
  fill: var(--sheet);
  stroke: var(--pad);
}
circle.here {
  fill: var(--sheet);
  stroke: var(--ink);
}
circle.asks {
  fill: var(--sheet);
  stroke: var(--act);
}
circle.dot {
  fill: var(--act);
  stroke: none;
}
circle.back {
  fill: var(--sheet);
  stroke: var(--stop);
}
.cross {
  stroke: var(--stop);
  stroke-width: 3.4;
  stroke-linecap: round;
}
.track .cross {
  stroke-width: 2;
}
.track {
  display: grid;
  grid-template-columns: repeat(6, 1fr);
}
.stop {
  position: relative;
  font: 14px var(--text);
  color: var(--soft);
  background: none;
  border: 0;
  padding: 2px 0 0;
  cursor: pointer;
  text-align: center;
}
.stop.on {
  color: var(--ink);
  font-weight: 680;
}
.stop svg {
  display: block;
}
.pad {
  position: absolute;
  left: calc(50% - 12px);
  bottom: 0;
}
.stop.on .pad {
  outline: 2px solid var(--copper);
  outline-offset: -1px;
  border-radius: 50%;
}
</style>
