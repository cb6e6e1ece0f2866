<script setup lang="ts">
// One sentence with marked parts, such as a bold figure or a link: the text names them, "{link}", and each has its slot.
// So another language can put them in another order.
import { computed } from 'vue'

const props = defineProps<{ text: string }>()
const parts = computed(() =>
  props.text
    .split(/(\{\w+\})/)
    .map((text) => ({ text, slot: /^\{\w+\}$/.test(text) ? text.slice(1, -1) : '' })),
)
</script>

<template>
  <template v-for="(part, position) in parts" :key="position">
    <slot v-if="$slots[part.slot]" :name="part.slot" />
    <template v-else>{{ part.text }}</template>
  </template>
</template>
