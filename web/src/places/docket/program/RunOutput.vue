<script setup lang="ts">
// What the program printed, and what its displays showed, in the stretch that is looked at.
import { NFlex } from 'naive-ui'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import Unfold from '@/pieces/controls/Unfold.vue'
import type { Stretch } from '@/pieces/plots/run-option'
import { runOutput as texts } from '@texts/docket'

const props = defineProps<{ trace: Schemas['TraceOut']; shown: Stretch | null }>()
const within = <T extends { ms: number }>(list: T[]) =>
  props.shown ? list.filter((one) => one.ms >= props.shown!.start_ms && one.ms <= props.shown!.end_ms) : list
const lines = computed(() => within(props.trace.lines))
const picture = computed(() => {
  const until = props.shown?.end_ms ?? Infinity
  return [...props.trace.displays].reverse().find((one) => one.ms <= until) ?? null
})
const stamped = computed(() =>
  lines.value.map(({ ms, text }) => `${(ms / 1000).toFixed(2).padStart(6)} s  ${text}`).join('\n'),
)
</script>

<template>
  <NFlex vertical>
    <section v-if="picture">
      <h3>{{ texts.displayLastChanged((picture.ms / 1000).toFixed(1)) }}</h3>
      <pre class="v rows max-h-60 overflow-auto bg-sunk p-2.5 rounded mt-1.5 mb-0 mx-0">{{
        picture.rows.join('\n')
      }}</pre>
    </section>
    <Unfold :open="!!shown" :title="texts.printedLines(lines.length)">
      <p v-if="!lines.length" class="soft">{{ texts.nothingWasPrinted }}</p>
      <pre
        v-else
        class="v max-h-60 overflow-auto bg-sunk p-2.5 rounded mt-1.5 mb-0 mx-0"
        tabindex="0"
        :aria-label="texts.printedLinesLabel"
        >{{ stamped }}</pre>
    </Unfold>
  </NFlex>
</template>

<style scoped>
.rows {
  display: inline-block;
  border: 1px solid var(--line);
  color: var(--ink);
  letter-spacing: 0.08em;
}
</style>
