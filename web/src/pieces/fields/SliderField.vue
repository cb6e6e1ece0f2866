<script setup lang="ts">
// A value that is dragged, or moved by the arrow keys.
import { NSlider } from 'naive-ui'
import { useTemplateRef } from 'vue'
import { useInnerAttributes } from './inner'

const { label, reading } = defineProps<{ max: number; label: string; reading: string }>()
const model = defineModel<number>({ required: true })
const root = useTemplateRef<InstanceType<typeof NSlider>>('root')
useInnerAttributes(root, '[role=slider]', () => ({ 'aria-label': label, 'aria-valuetext': reading }))
</script>

<template>
  <NSlider ref="root" v-model:value="model" :min="0" :max="max" :tooltip="false" />
</template>
