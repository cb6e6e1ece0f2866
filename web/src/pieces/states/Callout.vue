<script setup lang="ts">
// A remark on coloured ground. The library's alert is always announced at once as an alert; most remarks are no alarm.
defineProps<{ tone: 'good' | 'check' | 'open' | 'fix' | 'stop' | 'note' }>()
</script>

<template>
  <div class="rounded py-2 px-3.5" :class="tone"><slot /></div>
</template>

<style scoped>
.good {
  background: var(--good-bg);
  color: var(--good);
}
.check {
  background: var(--check-bg);
  color: var(--check);
}
.open {
  background: var(--check-bg);
}
.fix {
  background: var(--fix-bg);
}
.stop {
  background: var(--stop-bg);
  color: var(--stop);
}
.note {
  background: var(--note-bg);
  color: var(--note);
}
</style>
