<script setup lang="ts">
defineProps<{ title: string; text?: string }>()
</script>

<template>
  <div class="grid justify-items-start gap-2 py-7 px-6">
    <svg class="w-30" viewBox="0 0 120 20" aria-hidden="true">
      <path d="M4 10h112" />
      <circle v-for="x in [14, 60, 106]" :key="x" :cx="x" cy="10" r="5" />
    </svg>
    <h2>{{ title }}</h2>
    <p v-if="text" class="soft">{{ text }}</p>
    <slot />
  </div>
</template>

<style scoped>
path {
  stroke: var(--line);
  stroke-width: 3;
}
circle {
  fill: var(--sheet);
  stroke: var(--pad);
  stroke-width: 2.4;
}
</style>
