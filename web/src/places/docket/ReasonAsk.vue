<script setup lang="ts">
// Asks for a reason, or a word to the pair, before a decision is carried out.
import { ref, watch } from 'vue'
import Dialog from '@/pieces/Dialog.vue'
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
    <form class="box" @submit.prevent="done">
      <p v-if="text" class="soft">{{ text }}</p>
      <div>
        <label class="field-label" for="reason">{{ label }}{{ optional ? texts.ifYouLike : '' }}</label>
        <textarea
          id="reason"
          v-model="reason"
          class="field"
          rows="3"
          autofocus
          @vue:mounted="({ el }: { el: HTMLTextAreaElement }) => el.focus()"
          @keydown.ctrl.enter="done"
        />
      </div>
      <div class="acts">
        <button class="btn" :disabled="!optional && !reason.trim()">{{ act }}</button>
        <button type="button" class="btn quiet" @click="show = false">{{ common.notNow }}</button>
      </div>
    </form>
  </Dialog>
</template>

<style scoped>
.box {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
}
.acts {
  display: flex;
  gap: 10px;
}
</style>
