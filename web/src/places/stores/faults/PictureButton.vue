<script setup lang="ts">
// A picture out of the camera or a file; the same one can be chosen again.
import { NButton } from 'naive-ui'
import FileField from '@/pieces/fields/FileField.vue'
import { pictureButton as texts } from '@texts/hatch'

const emit = defineEmits<{ chosen: [picture: File] }>()
</script>

<template>
  <FileField
    accept="image/jpeg,image/png,image/webp"
    capture="environment"
    :aria-label="texts.picture"
    @choose="emit('chosen', $event)"
  >
    <NButton type="primary" quaternary
      ><slot>{{ texts.addAPicture }}</slot></NButton
    >
  </FileField>
</template>
