<script setup lang="ts">
// A window on a logarithmic scale, the resistor's value in it or beside it.
import { computed } from 'vue'
import { said } from '@/shared/units'
import { windowBar as texts } from '@texts/docket-wiring'

const props = defineProps<{ low: number; high: number; ohms: number | null; nominal?: number | null }>()
const WIDTH = 100
const scale = computed(() => {
  const least = Math.max(props.low, props.high / 1e4, 0.1)
  const values = [least, props.high, ...(props.ohms ? [props.ohms] : [])]
  const from = Math.log10(Math.min(...values)) - 0.25
  const to = Math.log10(Math.max(...values)) + 0.25
  return (ohms: number) => ((Math.log10(Math.max(ohms, 10 ** from)) - from) / (to - from)) * WIDTH
})
const left = computed(() => scale.value(Math.max(props.low, 0.1)))
const right = computed(() => scale.value(props.high))
const inside = computed(() => props.ohms !== null && props.ohms >= props.low && props.ohms <= props.high)
</script>

<template>
  <div
    class="bar pt-1 px-6.5"
    role="img"
    :aria-label="texts.windowTo(said(low, 'Ω'), said(high, 'Ω'), ohms ? said(ohms, 'Ω') : '')"
  >
    <div class="relative h-2.5 rounded bg-sunk">
      <span class="window" :style="{ left: `${left}%`, width: `${right - left}%` }" />
      <span
        v-if="nominal"
        class="nominal"
        :style="{ left: `${scale(nominal)}%` }"
        :title="texts.recipe(said(nominal, 'Ω'))"
      />
      <span
        v-if="ohms"
        class="value absolute -top-1 w-4 h-4 -ml-2 rounded-full bg-good border-3 border-sheet"
        :class="{ out: !inside }"
        :style="{ left: `${scale(ohms)}%` }"
      />
    </div>
    <div class="ends v soft relative h-5 text-xs">
      <span :style="{ left: `${left}%` }">{{ said(low, 'Ω') }}</span>
      <span :style="{ left: `${right}%` }">{{ said(high, 'Ω') }}</span>
    </div>
  </div>
</template>

<style scoped>
.window {
  position: absolute;
  inset-block: 0;
  border-radius: 5px;
  background: var(--good-bg);
  border: 1.5px solid var(--good);
}
.nominal {
  position: absolute;
  inset-block: 2px;
  width: 2px;
  background: var(--pad);
}
.value.out {
  background: var(--fix);
  border-radius: 3px;
  transform: rotate(45deg) scale(0.85);
}
.ends span {
  position: absolute;
  transform: translateX(-50%);
  white-space: nowrap;
}
</style>
