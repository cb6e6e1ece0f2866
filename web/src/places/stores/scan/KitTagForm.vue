<script setup lang="ts">
// A form of the hatch about one kit, begun with its tag; what was done is said above the button.
import { NButton, NForm } from 'naive-ui'
import TextField from '@/pieces/fields/TextField.vue'
import type { useAct } from '@/shared/act'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { common } from '@texts/common'
import { kitTagForm as texts } from '@texts/hatch'

const tag = defineModel<string>('tag', { required: true })
const {
  id,
  act,
  button,
  ready = true,
} = defineProps<{
  id: string
  act: ReturnType<typeof useAct>
  button: string
  ready?: boolean
}>()
const { busy, error, said } = act
const emit = defineEmits<{ submit: [] }>()
</script>

<template>
  <NForm @submit.prevent="emit('submit')">
    <div>
      <label class="field-label" :for="id">{{ texts.kitItsTag }}</label>
      <TextField
        :id="id"
        v-model="tag"
        class="big"
        :placeholder="texts.kitExample"
        autocomplete="off"
        required
        figures
      />
    </div>
    <slot />
    <ErrorNote :error="error" />
    <p v-if="said" class="text-good" role="status">{{ said }}</p>
    <NButton type="primary" attr-type="submit" :disabled="busy || !ready">
      {{ button }} <kbd>{{ common.enter }}</kbd>
    </NButton>
  </NForm>
</template>

<style scoped>
form {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
}
.big {
  font-size: 19px;
}
</style>
