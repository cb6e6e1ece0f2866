<script setup lang="ts">
// Which page of a long list is looked at.
import { NPagination } from 'naive-ui'

defineProps<{ count: number }>()
const page = defineModel<number>({ required: true })
</script>

<template>
  <NPagination v-model:page="page" class="no-print" :page-count="count" :page-slot="7" />
</template>
