<script setup lang="ts">
// A table out of a spreadsheet: chosen, or dropped on the area.
import { common } from '@texts/common'
import FileField from './FileField.vue'

defineProps<{ about: string }>()
defineEmits<{ choose: [file: File] }>()
</script>

<template>
  <FileField
    area
    accept=".csv,.tsv,.txt,.xlsx,.xls,.ods"
    :aria-label="common.chooseAFile"
    @choose="$emit('choose', $event)"
  >
    <b>{{ common.chooseAFile }}</b>
    <p class="soft">{{ about }}</p>
  </FileField>
</template>
