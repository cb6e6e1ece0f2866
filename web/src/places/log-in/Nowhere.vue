<script setup lang="ts">
import EmptyNote from '@/pieces/EmptyNote.vue'
</script>

<template>
  <EmptyNote title="There is no such place here" text="The address may be mistyped.">
    <RouterLink class="btn" to="/">To your own place</RouterLink>
  </EmptyNote>
</template>
