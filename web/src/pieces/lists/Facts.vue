<script setup lang="ts">
// What is known of one thing, a line for each: the library's descriptions with the names at the left. With a border the
// library makes each name the heading of its line, without one only a piece of text.
import { NDescriptions } from 'naive-ui'
</script>

<template>
  <NDescriptions label-placement="left" :column="1" size="small" bordered>
    <slot />
  </NDescriptions>
</template>
