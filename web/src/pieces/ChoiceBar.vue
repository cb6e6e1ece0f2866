<script setup lang="ts" generic="T extends string | number | boolean">
// One of a few, all of them in sight.
defineProps<{ label: string; choices: { value: T; word: string; key?: string }[] }>()
const chosen = defineModel<T>({ required: true })
</script>

<template>
  <span class="choices" role="group" :aria-label="label">
    <button
      v-for="choice in choices"
      :key="String(choice.value)"
      type="button"
      :aria-pressed="chosen === choice.value"
      @click="chosen = choice.value"
    >
      {{ choice.word }} <kbd v-if="choice.key">{{ choice.key }}</kbd>
    </button>
  </span>
</template>

<style scoped>
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 3px;
}
button {
  font: 600 14px var(--text);
  padding: 6px 9px;
  min-height: 34px;
  border: 0;
  border-radius: 5px;
  background: var(--sunk);
  color: var(--soft);
  cursor: pointer;
}
kbd {
  border: 0;
  padding: 0;
  background: none;
  color: inherit;
  opacity: 0.8;
}
button[aria-pressed='true'] {
  background: var(--act);
  color: var(--act-ink);
}
</style>
