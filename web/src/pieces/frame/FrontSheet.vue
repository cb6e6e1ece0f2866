<script setup lang="ts">
// A page with one form in its middle: logging in, joining, the first start.
import { NForm } from 'naive-ui'
import Sheet from '@/pieces/states/Sheet.vue'
const { width = 400 } = defineProps<{ width?: number }>()
const emit = defineEmits<{ submit: [] }>()
</script>

<template>
  <div class="page">
    <Sheet pad="large" class="front" :style="{ '--width': `${width}px` }">
      <NForm @submit.prevent="emit('submit')">
        <slot />
      </NForm>
    </Sheet>
  </div>
</template>

<style scoped>
.page {
  min-height: 100%;
  display: grid;
  place-items: center;
  padding: 18px;
}
.front {
  width: min(var(--width), 100%);
}
form {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
  padding: 6px 8px;
}
form :slotted(.n-button) {
  justify-content: center;
}
</style>
