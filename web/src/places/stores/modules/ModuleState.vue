<script setup lang="ts">
// How a module is, in a word and its reason.
import { modules } from '@texts/words'
defineProps<{ row: { state: string; reason: string }; short?: boolean }>()
</script>

<template>
  <span class="state font-semibold text-sm mr-1.5" :class="row.state">{{
    modules[row.state] ?? row.state
  }}</span>
  <span
    v-if="row.reason && row.state !== 'retired' && !(short && row.state === 'out')"
    class="soft text-sm"
    >{{ row.reason }}</span
  >
</template>

<style scoped>
.ready {
  color: var(--good);
}
.out {
  color: var(--copper);
}
.to-test,
.repair,
.missing {
  color: var(--stop);
}
.retired {
  color: var(--soft);
}
</style>
