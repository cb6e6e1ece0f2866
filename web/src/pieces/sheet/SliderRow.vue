<script setup lang="ts">
// One value to move, with its unit: by dragging, by the arrow keys, or typed.
import { computed } from 'vue'
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
  set: (step: number) => {
    const part = Number(step) / STEPS
    const raw = props.inDecades
      ? props.low * (props.high / props.low) ** part
      : props.low + part * (props.high - props.low)
    value.value = Number(raw.toPrecision(4))
  },
})
const isMoved = computed(() => value.value !== undefined && value.value !== props.usual)
</script>

<template>
  <label class="row" :class="{ strong, moved: isMoved }">
    <span class="name">{{ name }}</span>
    <span class="v now">{{ withUnit(here, unit) }}</span>
    <input
      v-model="share"
      type="range"
      min="0"
      :max="STEPS"
      :aria-valuetext="withUnit(here, unit)"
      @dblclick="value = undefined"
    />
  </label>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0 10px;
  align-items: baseline;
}
.name {
  font-size: 14px;
}
.now {
  font-weight: 600;
}
.moved .now {
  color: var(--act);
}
.strong .name {
  font-weight: 640;
}
input {
  grid-column: 1 / -1;
  width: 100%;
  height: 24px;
  margin: 0;
  background: none;
  appearance: none;
  cursor: pointer;
}
input::-webkit-slider-runnable-track {
  height: 4px;
  border-radius: 2px;
  background: var(--line);
}
input::-webkit-slider-thumb {
  appearance: none;
  width: 16px;
  height: 20px;
  margin-top: -8px;
  border-radius: 3px;
  background: var(--sheet);
  border: 2px solid var(--pad);
}
.moved input::-webkit-slider-thumb {
  background: var(--act);
  border-color: var(--act);
}
.strong input::-webkit-slider-thumb {
  background: var(--copper);
  border-color: var(--copper);
}
input::-moz-range-track {
  height: 4px;
  background: var(--line);
}
input::-moz-range-thumb {
  width: 14px;
  height: 18px;
  border-radius: 3px;
  background: var(--sheet);
  border: 2px solid var(--pad);
}
</style>
