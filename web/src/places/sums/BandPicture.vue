<script setup lang="ts">
import { computed } from 'vue'
import { bandPicture as texts } from '@texts/sums'
import { PAINT } from './bands'

const props = defineProps<{ colours: string[] }>()
// The last bands stand apart, so that one sees from which end to read.
const marks = computed(() =>
  props.colours.map((colour, index) => {
    const last = props.colours.length > 3 && index === props.colours.length - 1
    return { colour, x: 78 + index * 44 + (last ? 16 : 0) }
  }),
)
</script>

<template>
  <svg class="w-full max-w-120" viewBox="0 0 400 92" role="img" :aria-label="texts.bands(colours.join(', '))">
    <path d="M8 36H60 M340 36H392" class="lead" />
    <rect x="56" y="10" width="288" height="52" rx="14" class="body" />
    <g v-for="(mark, index) in marks" :key="index">
      <rect :x="mark.x" y="10" width="15" height="52" class="band" :style="{ fill: PAINT[mark.colour] }" />
      <text :x="mark.x + 8" y="80">{{ mark.colour }}</text>
    </g>
  </svg>
</template>

<style scoped>
.lead {
  stroke: var(--pad);
  stroke-width: 4;
  stroke-linecap: round;
}
.body {
  fill: var(--copper-soft);
  stroke: var(--pad);
}
.band {
  stroke: var(--sheet);
  stroke-width: 0.6;
}
text {
  font: 11px var(--text);
  fill: var(--soft);
  text-anchor: middle;
}
</style>
