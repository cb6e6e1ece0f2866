<script setup lang="ts">
// A picture out of the camera or a file; the same one can be chosen again.
import { pictureButton as texts } from '@texts/hatch'
const emit = defineEmits<{ chosen: [picture: File] }>()
function choose(event: Event) {
  const field = event.target as HTMLInputElement
  const picture = field.files?.[0]
  field.value = ''
  if (picture) emit('chosen', picture)
}
</script>

<template>
  <label class="btn quiet photo"
    ><slot>{{ texts.addAPicture }}</slot
    ><input
      type="file"
      accept="image/jpeg,image/png,image/webp"
      capture="environment"
      :aria-label="texts.picture"
      @change="choose"
  /></label>
</template>

<style scoped>
.photo {
  position: relative;
}
.photo input {
  position: absolute;
  opacity: 0;
  width: 1px;
}
.photo:focus-within {
  outline: 2px solid var(--act);
}
</style>
