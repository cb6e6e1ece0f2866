<script setup lang="ts">
// A page with one form in its middle: logging in, joining, the first start.
const { width = 400 } = defineProps<{ width?: number }>()
const emit = defineEmits<{ submit: [] }>()
</script>

<template>
  <div class="page">
    <form class="sheet" :style="{ '--width': `${width}px` }" @submit.prevent="emit('submit')">
      <slot />
    </form>
  </div>
</template>

<style scoped>
.page {
  min-height: 100%;
  display: grid;
  place-items: center;
  padding: 18px;
}
form {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
  width: min(var(--width), 100%);
  padding: 28px 32px;
}
form :slotted(.btn) {
  justify-content: center;
}
</style>
