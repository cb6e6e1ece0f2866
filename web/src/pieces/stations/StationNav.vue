<script setup lang="ts">
// The six stations as links along the track; the one that is looked at is ringed.
import { computed } from 'vue'
import type { RouteLocationRaw } from 'vue-router'
import { stationName } from '@/shared/words'
import { stationNav as texts } from '@texts/pieces'
import { type Pad, padKind } from './stations'
import { padWords } from '@texts/words'

const props = defineProps<{ stations: Pad[]; chosen: string; to: (station: string) => RouteLocationRaw }>()
const pads = computed(() => props.stations.map((pad) => ({ ...pad, kind: padKind(pad) })))
</script>

<template>
  <nav class="track" :aria-label="texts.stations">
    <RouterLink
      v-for="(pad, index) in pads"
      :key="pad.station"
      :to="to(pad.station)"
      replace
      :aria-current="chosen === pad.station ? 'step' : undefined"
      :class="['stop', { on: chosen === pad.station }]"
    >
      <span>{{ stationName(pad.station) }}</span>
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
      <span class="visually-hidden">{{ padWords[pad.kind] }}</span>
    </RouterLink>
  </nav>
</template>

<style scoped>
.track {
  display: grid;
  grid-template-columns: repeat(6, minmax(0, 1fr));
}
.stop {
  position: relative;
  font: 14px var(--text);
  color: var(--soft);
  text-decoration: none;
  padding: 2px 0 0;
  text-align: center;
  min-width: 0;
}
.stop.on {
  color: var(--ink);
  font-weight: 680;
}
.stop svg {
  display: block;
}
line {
  stroke-width: 3;
}
circle {
  stroke-width: 2.4;
}
.cross {
  stroke-width: 2;
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
@media (max-width: 420px) {
  .stop {
    font-size: 12.5px;
  }
}
@media (max-width: 360px) {
  .stop {
    font-size: 11px;
    letter-spacing: -0.01em;
  }
}
</style>
<style src="./stations.css" scoped></style>
