<script setup lang="ts">
// A remark on coloured ground. The library's alert is always announced at once as an alert; most remarks are no alarm.
defineProps<{
  tone: 'good' | 'check' | 'fix' | 'stop' | 'note'
  /** In the usual ink: of more than a sentence, or with something to press. */
  plain?: boolean
}>()
</script>

<template>
  <div
    class="rounded py-2 px-3.5"
    :style="{ background: `var(--${tone}-bg)`, color: plain ? undefined : `var(--${tone})` }"
  >
    <slot />
  </div>
</template>
