<script setup lang="ts">
// Asks for a reason, or a word to the pair, before a decision is carried out.
import { NButton, NFlex, NForm } from 'naive-ui'
import { ref, watch } from 'vue'
import FormField from '@/pieces/fields/FormField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import Dialog from '@/pieces/dialog/Dialog.vue'
import { common } from '@texts/common'
import { reasonAsk as texts } from '@texts/docket'

const props = defineProps<{ title: string; label: string; act: string; optional?: boolean; text?: string }>()
const emit = defineEmits<{ done: [reason: string] }>()
const show = defineModel<boolean>('show', { default: false })
const reason = ref('')
watch(show, () => (reason.value = ''))

function done() {
  if (!props.optional && !reason.value.trim()) return
  emit('done', reason.value.trim())
  show.value = false
}
</script>

<template>
  <Dialog v-model:show="show" :title="title" width="480px" :auto-focus="false">
    <NForm class="box grid grid-cols-1 gap-3.5" @submit.prevent="done">
      <p v-if="text" class="soft">{{ text }}</p>
      <FormField id="reason"
        ><template #label>{{ label }}{{ optional ? texts.ifYouLike : '' }}</template
        ><TextField v-model="reason" type="textarea" :rows="3" autofocus @keydown.ctrl.enter="done"
      /></FormField>
      <NFlex :wrap="false" size="small" class="acts">
        <NButton type="primary" attr-type="submit" :disabled="!optional && !reason.trim()">{{ act }}</NButton>
        <NButton type="primary" quaternary @click="show = false">{{ common.notNow }}</NButton>
      </NFlex>
    </NForm>
  </Dialog>
</template>
