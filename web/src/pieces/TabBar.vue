<script setup lang="ts" generic="T extends string">
// The views of one thing, one of them shown.
defineProps<{ tabs: readonly T[]; label?: string }>()
const tab = defineModel<T>({ required: true })
</script>

<template>
  <div class="tabs" role="tablist" :aria-label="label">
    <button v-for="name in tabs" :key="name" role="tab" :aria-selected="tab === name" @click="tab = name">
      {{ name }}
    </button>
    <span class="side"><slot /></span>
  </div>
</template>

<style scoped>
.tabs {
  display: flex;
  align-items: center;
  gap: 18px;
  padding: 6px 18px 0;
  border-bottom: 1px solid var(--line);
  overflow-x: auto;
}
.tabs button {
  font: 15px var(--text);
  color: var(--soft);
  background: none;
  border: 0;
  padding: 8px 0;
  white-space: nowrap;
  cursor: pointer;
}
.tabs button[aria-selected='true'] {
  color: var(--ink);
  font-weight: 660;
  box-shadow: inset 0 -2.5px 0 var(--copper);
}
.side {
  margin-left: auto;
  color: var(--soft);
  font-size: 14px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
