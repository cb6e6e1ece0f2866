<script setup lang="ts">
// Grey shapes where something is going to be, so that nothing jumps when it comes. They appear only where it takes a while.
import { NSkeleton } from 'naive-ui'

defineProps<{ of: 'lines' | 'table' }>()
</script>

<template>
  <div class="shape" :class="of" aria-hidden="true">
    <template v-if="of === 'table'">
      <NSkeleton v-for="n in 7" :key="n" height="26px" />
    </template>
    <NSkeleton v-else text :repeat="4" />
  </div>
</template>

<style scoped>
.shape {
  display: grid;
  gap: 14px;
  padding: 10px 8px;
  animation: appear 0.2s 0.25s backwards;
}
.lines {
  max-width: 520px;
}
.lines > :last-child {
  width: 60%;
}
@keyframes appear {
  from {
    opacity: 0;
  }
}
</style>
