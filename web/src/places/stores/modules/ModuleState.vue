<script setup lang="ts">
// How a module is, in a word and its reason.
import { modules } from '@texts/words'
defineProps<{ row: { state: string; reason: string }; short?: boolean }>()
</script>

<template>
  <span class="state" :class="row.state">{{ modules[row.state] ?? row.state }}</span>
  <span v-if="row.reason && row.state !== 'retired' && !(short && row.state === 'out')" class="soft reason">{{
    row.reason
  }}</span>
</template>

<style scoped>
.state {
  font-weight: 620;
  font-size: 14px;
  margin-right: 6px;
}
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
.reason {
  font-size: 14px;
}
</style>
