<script setup lang="ts">
// A page with one form in its middle: logging in, joining, the first start.
import { NForm } from 'naive-ui'
const { width = 400 } = defineProps<{ width?: number }>()
const emit = defineEmits<{ submit: [] }>()
</script>

<template>
  <div class="page">
    <NForm class="sheet" :style="{ '--width': `${width}px` }" @submit.prevent="emit('submit')">
      <slot />
    </NForm>
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
form :slotted(.n-button) {
  justify-content: center;
}
</style>
