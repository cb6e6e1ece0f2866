<script setup lang="ts">
// One bench. Who needs a person stands out, with the reason first; who does not is quiet.
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import SeverityTag from '@/pieces/findings/SeverityTag.vue'
import StationTrace from '@/pieces/stations/StationTrace.vue'
import { capital, stationName, waited } from '@/shared/words'
import { benchCard as texts } from '@texts/floor'

const props = defineProps<{ bench: Schemas['BenchCardOut']; now: number; namesExercise?: boolean }>()
defineEmits<{ open: [] }>()
const kind = computed(() => {
  if (props.bench.off) return 'off'
  if (!props.bench.asks) return 'quiet'
  return props.bench.findings.stop ? 'stop' : 'asks'
})
// Of a bench that waits for nobody, only a Stop is worth a mark: the pair is at work on the rest.
const tags = computed(() =>
  (['stop', 'fix', 'check'] as const)
    .map((severity) => ({ severity, count: props.bench.findings[severity] ?? 0 }))
    .filter((entry) => entry.count > 0 && (kind.value !== 'quiet' || entry.severity === 'stop')),
)
// What stands under the pair: the bench's name, and the exercise where the session has several.
const under = computed(() =>
  [props.bench.place, props.namesExercise ? props.bench.exercise : ''].filter(Boolean).join(' · '),
)
const done = computed(() => props.bench.station === 'mark' && props.bench.state === 'passed')
const station = computed(() =>
  done.value ? texts.done : props.bench.off ? texts.power : stationName(props.bench.station),
)
</script>

<template>
  <NButton
    text
    class="whole card"
    :class="kind"
    :aria-label="`${bench.bench ? texts.bench(bench.bench) : texts.noBench}, ${bench.pair}: ${bench.line}`"
    @click="$emit('open')"
  >
    <span class="top grid grid-cols-[auto_minmax(0,1fr)] gap-y-1 gap-x-2.5 items-center">
      <span class="number font-bold text-2xl leading-none">{{ bench.bench ?? '–' }}</span>
      <span class="pair font-semibold leading-[1.2]">{{ bench.pair }}</span>
      <span
        v-if="under"
        class="exercise col-span-full text-sm text-soft whitespace-nowrap overflow-hidden text-ellipsis"
        >{{ under }}</span
      >
    </span>
    <span class="why flex flex-wrap gap-y-1 gap-x-2 content-start items-baseline text-sm leading-[1.3]">
      <SeverityTag v-for="entry in tags" :key="entry.severity" v-bind="entry" />
      <span>{{ capital(bench.line) }}</span>
      <span v-if="bench.last_value" class="v text-soft">{{ bench.last_value }}</span>
      <span v-if="bench.claimed_by">{{ texts.onTheWay(bench.claimed_by) }}</span>
    </span>
    <span class="foot flex flex-wrap justify-between gap-y-1 gap-x-2 items-baseline text-sm text-soft">
      <StationTrace :stations="bench.stations" />
      <b class="font-semibold">{{ station }}</b>
      <span v-if="!done && bench.state" class="wait whitespace-nowrap">{{ waited(bench.since, now) }}</span>
    </span>
  </NButton>
</template>

<style scoped>
.card {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  grid-template-rows: auto 1fr auto;
  gap: 8px;
  border: 1px solid var(--line);
  border-radius: 8px;
  padding: 11px 13px;
  color: var(--ink);
  background: none;
  height: 100%;
  align-items: stretch;
}
.card:hover {
  border-color: var(--pad);
}
.card.asks,
.card.stop {
  background: var(--sheet);
  border: 2px solid var(--act);
  padding: 10px 12px;
}
.card.stop,
.card.off {
  border: 2px solid var(--stop);
  padding: 10px 12px;
}
.card.off {
  background: var(--stop-bg);
}
.quiet .number,
.quiet .pair {
  color: var(--soft);
}
.quiet .why {
  color: var(--soft);
}
.foot > :first-child {
  flex: 1 0 100%;
  min-width: 0;
}
.asks .foot b,
.stop .foot b,
.off .foot b {
  color: var(--ink);
}
.asks .wait,
.stop .wait,
.off .wait {
  color: var(--act);
  font-weight: 660;
}
.stop .wait,
.off .wait {
  color: var(--stop);
}
</style>
