<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import SeverityTag from '@/pieces/SeverityTag.vue'
import StationTrace from '@/pieces/StationTrace.vue'
import { capital, waited } from '@/shared/words'

const props = defineProps<{ bench: Schemas['BenchCardOut']; now: number }>()
defineEmits<{ open: [] }>()
const kind = computed(() =>
  props.bench.off ? 'off' : props.bench.asks ? ((props.bench.findings.stop ?? 0) ? 'stop' : 'asks') : 'calm',
)
const open = computed(() =>
  (['stop', 'fix', 'check'] as const)
    .map((severity) => ({ severity, count: props.bench.findings[severity] ?? 0 }))
    .filter((entry) => entry.count > 0),
)
const done = computed(() => props.bench.station === 'mark' && props.bench.state === 'passed')
</script>

<template>
  <button
    class="plain card"
    :class="kind"
    :aria-label="`${bench.bench ? `Bench ${bench.bench}` : 'No bench'}, ${bench.pair}: ${bench.line}`"
    @click="$emit('open')"
  >
    <span class="top">
      <span class="number">{{ bench.bench ?? '–' }}</span>
      <span class="pair">{{ bench.pair }}</span>
      <span v-if="!done && bench.state" class="wait">{{ waited(bench.since, now) }}</span>
    </span>
    <span class="middle">
      <SeverityTag v-for="entry in open" :key="entry.severity" v-bind="entry" />
      <span v-if="bench.last_value" class="v value">{{ bench.last_value }}</span>
      <span v-if="bench.claimed_by" class="soft">{{ bench.claimed_by }} is on the way</span>
    </span>
    <StationTrace :stations="bench.stations" :current="bench.station" />
    <span class="line"
      ><b>{{ done ? 'Done' : bench.off ? 'Power' : capital(bench.station) }}</b> {{ bench.line }}</span
    >
  </button>
</template>

<style scoped>
.card {
  display: grid;
  grid-template-rows: auto 1fr auto auto;
  gap: 9px;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 8px;
  padding: 12px 14px;
  color: var(--ink);
}
.card:hover {
  border-color: var(--pad);
}
.card.asks {
  border: 2px solid var(--act);
  padding: 11px 13px;
}
.card.stop,
.card.off {
  border: 2px solid var(--stop);
  padding: 11px 13px;
}
.card.off {
  background: var(--stop-bg);
}
.top {
  display: grid;
  grid-template-columns: auto 1fr auto;
  gap: 10px;
  align-items: center;
}
.number {
  font-weight: 700;
  font-size: 30px;
  line-height: 1;
}
.pair {
  font-weight: 620;
  line-height: 1.2;
}
.wait {
  font-size: 13.5px;
  color: var(--soft);
  white-space: nowrap;
}
.asks .wait {
  background: var(--act);
  color: var(--act-ink);
  font-weight: 640;
  border-radius: 4px;
  padding: 2px 8px;
}
.middle {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 8px;
  align-content: center;
  align-items: center;
  min-height: 24px;
}
.value {
  color: var(--soft);
}
.line {
  color: var(--soft);
  font-size: 14.5px;
  line-height: 1.3;
}
.line b {
  color: var(--ink);
}
.back .line {
  color: var(--stop);
}
</style>
