<script setup lang="ts">
// One value to move, with its unit: by dragging, by the arrow keys, or typed.
import { computed } from 'vue'
import SliderField from '@/pieces/fields/SliderField.vue'
import { withUnit } from '@/shared/units'

const props = defineProps<{
  name: string
  unit: string
  low: number
  high: number
  /** Where it stands when nobody moves it. */
  usual: number
  inDecades?: boolean
  strong?: boolean
}>()
const value = defineModel<number | undefined>()
const STEPS = 400
const here = computed(() => value.value ?? props.usual)
const share = computed({
  get: () =>
    props.inDecades
      ? (STEPS * Math.log(here.value / props.low)) / Math.log(props.high / props.low)
      : (STEPS * (here.value - props.low)) / (props.high - props.low || 1),
  set: (step) => {
    const part = step / STEPS
    const raw = props.inDecades
      ? props.low * (props.high / props.low) ** part
      : props.low + part * (props.high - props.low)
    value.value = Number(raw.toPrecision(4))
  },
})
const isMoved = computed(() => value.value !== undefined && value.value !== props.usual)
</script>

<template>
  <div
    class="row grid grid-cols-[1fr_auto] gap-y-0 gap-x-2.5 items-baseline"
    :class="{ strong, moved: isMoved }"
  >
    <span class="name text-sm">{{ name }}</span>
    <span class="v now font-semibold">{{ withUnit(here, unit) }}</span>
    <SliderField
      v-model="share"
      :max="STEPS"
      :label="name"
      :reading="withUnit(here, unit)"
      @dblclick="value = undefined"
    />
  </div>
</template>

<style scoped>
.moved .now {
  color: var(--act);
}
.strong .name {
  font-weight: 640;
}
.n-slider {
  grid-column: 1 / -1;
}
.strong :deep(.n-slider-rail__fill),
.strong :deep(.n-slider-handle) {
  background: var(--copper);
}
</style>
