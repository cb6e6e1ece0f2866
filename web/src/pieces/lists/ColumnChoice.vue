<script setup lang="ts">
// Which columns of a list this device shows.
import { NButton, NCheckbox, NCheckboxGroup, NPopover } from 'naive-ui'
import { listTable as texts } from '@texts/pieces'

defineProps<{ columns: { key: string; title: string }[] }>()
const visible = defineModel<string[]>({ required: true })
</script>

<template>
  <div>
    <NPopover trigger="click" placement="bottom-end">
      <template #trigger>
        <NButton quaternary size="small" class="no-print">{{ texts.columns }}</NButton>
      </template>
      <NCheckboxGroup v-model:value="visible" class="boxes">
        <NCheckbox v-for="column in columns" :key="column.key" :value="column.key">{{
          column.title
        }}</NCheckbox>
      </NCheckboxGroup>
    </NPopover>
  </div>
</template>

<style scoped>
.boxes {
  display: grid;
  gap: 6px;
}
</style>
