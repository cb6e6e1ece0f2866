<script setup lang="ts">
// The mark of the product: a copper track through six pads. Filled is done; a dot asks for a person, a cross was sent back
// or voided, empty is being worked at.
import { computed } from 'vue'
import { stationName } from '@/shared/words'
import { type Pad, padKind } from './stations'
import { padWords } from '@texts/words'

const props = defineProps<{ stations: Pad[] }>()
const GAP = 100
const pads = computed(() =>
  props.stations.map((pad, index) => ({ ...pad, x: 14 + index * GAP, kind: padKind(pad) })),
)
const said = computed(() =>
  pads.value.map((pad) => `${stationName(pad.station)} ${padWords[pad.kind]}`).join(', '),
)
</script>

<template>
  <svg :viewBox="`0 0 ${28 + GAP * 5} 28`" role="img" :aria-label="said">
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
      <title>{{ stationName(pad.station) }}: {{ padWords[pad.kind] }}</title>
      <circle :r="pad.kind === 'done' || pad.kind === 'ahead' ? 10 : 13" :class="pad.kind" />
      <circle v-if="pad.kind === 'asks'" r="5.5" class="dot" />
      <path v-if="pad.kind === 'back'" d="M-5-5L5 5M5-5L-5 5" class="cross" />
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  display: block;
  overflow: visible;
}
line {
  stroke-width: 5;
}
circle {
  stroke-width: 4;
}
.cross {
  stroke-width: 3.4;
}
</style>
<style src="./stations.css" scoped></style>
