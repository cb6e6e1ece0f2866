<script setup lang="ts">
// An exercise file is imported: chosen or pasted, with every problem at its line.
import { NButton, NFlex } from 'naive-ui'
import { useStorage } from '@vueuse/core'
import { ref } from 'vue'
import { ApiError } from '@/api/client'
import FormField from '@/pieces/fields/FormField.vue'
import FileField from '@/pieces/fields/FileField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import Dialog from '@/pieces/dialog/Dialog.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { textOf } from '@/shared/files'
import { common } from '@texts/common'
import { importExercise as texts } from '@texts/exercises'
import { useActs } from './use-exercise'

const show = defineModel<boolean>('show', { required: true })
const emit = defineEmits<{ done: [id: number] }>()
const text = useStorage('verifex-exercise-draft', '') // what was typed survives a reload
const wrong = ref<unknown>(null)
const { bringIn } = useActs()

async function choose(file: File) {
  text.value = await textOf(file)
  wrong.value = null
}
async function bring() {
  wrong.value = null
  try {
    const made = await bringIn.mutateAsync(text.value)
    text.value = ''
    show.value = false
    emit('done', made.id)
  } catch (error) {
    wrong.value = error
  }
}
function lineOf(number: number) {
  return text.value.split('\n')[number - 1]?.trim() ?? ''
}
</script>

<template>
  <Dialog v-model:show="show" :title="texts.importAnExercise" width="760px">
    <NFlex vertical size="small">
      <p class="soft">
        {{ texts.help }}
      </p>
      <FileField area accept=".yaml,.yml,text/*" :aria-label="common.chooseAFile" @choose="choose">{{
        common.chooseAFile
      }}</FileField>
      <FormField :label="texts.pasteLabel"
        ><TextField v-model="text" type="textarea" :rows="14" spellcheck="false" figures
      /></FormField>
      <section
        v-if="wrong instanceof ApiError && wrong.problems.length"
        role="alert"
        class="problems bg-fix-bg rounded py-2.5 px-3.5 max-h-50 overflow-auto"
      >
        <h3>{{ texts.problemCount(wrong.problems.length) }}</h3>
        <ul class="mt-1 mb-0 mx-0 pl-4.5 grid grid-cols-1 gap-1">
          <li v-for="(problem, index) in wrong.problems" :key="index">
            <b class="v">{{ texts.line(problem.line) }}</b> {{ problem.message }}
            <span v-if="lineOf(problem.line)" class="v soft block wrap-anywhere">{{
              lineOf(problem.line)
            }}</span>
          </li>
        </ul>
      </section>
      <ErrorNote v-else-if="wrong" :error="wrong" />
      <NFlex :wrap="false" size="small" class="acts">
        <NButton type="primary" :disabled="!text.trim() || bringIn.isPending.value" @click="bring">
          {{ texts.import }}
        </NButton>
        <NButton type="primary" ghost @click="show = false">{{ common.notNow }}</NButton>
      </NFlex>
    </NFlex>
  </Dialog>
</template>
