<script setup lang="ts">
// A piece of paper on the ground of a place: the library's card in three widths of margin. What is laid out inside gives
// its classes as `inner`; a table has no margin of its own.
import { NCard } from 'naive-ui'

const {
  tag = 'div',
  pad = 'medium',
  inner = undefined,
} = defineProps<{
  tag?: 'div' | 'section' | 'article' | 'li'
  pad?: 'none' | 'small' | 'medium' | 'large'
  inner?: string
}>()
</script>

<template>
  <NCard
    :tag="tag"
    :size="pad === 'none' ? 'medium' : pad"
    :content-class="inner"
    :content-style="pad === 'none' ? { padding: 0 } : undefined"
  >
    <slot />
  </NCard>
</template>

<style scoped>
/* The library lets a word break anywhere, so that a narrow column of a table would cut its words. */
.n-card {
  word-break: normal;
}
</style>
