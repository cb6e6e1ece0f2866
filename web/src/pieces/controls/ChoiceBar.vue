<script setup lang="ts" generic="T extends string | number | boolean">
// One of a few, all of them in sight.
import { NButton } from 'naive-ui'

defineProps<{ label: string; choices: { value: T; word: string; key?: string }[] }>()
const chosen = defineModel<T>({ required: true })
</script>

<template>
  <span class="flex flex-wrap gap-1" role="group" :aria-label="label">
    <NButton
      v-for="choice in choices"
      :key="String(choice.value)"
      :type="chosen === choice.value ? 'primary' : 'default'"
      :secondary="chosen !== choice.value"
      :aria-pressed="chosen === choice.value"
      @click="chosen = choice.value"
    >
      {{ choice.word }} <kbd v-if="choice.key" class="border-0 p-0 -ml-1">{{ choice.key }}</kbd>
    </NButton>
  </span>
</template>

<style scoped>
.n-button {
  padding: 0 9px;
  font-size: 14px;
}
</style>
