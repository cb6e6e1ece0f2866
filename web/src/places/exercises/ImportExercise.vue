<script setup lang="ts">
// An exercise file is imported: chosen or pasted, with every problem at its line.
import { NButton } from 'naive-ui'
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
    <div class="stack">
      <p class="soft">
        {{ texts.aFileMakesANew }}
      </p>
      <FileField area accept=".yaml,.yml,text/*" :aria-label="common.chooseAFile" @choose="choose">{{
        common.chooseAFile
      }}</FileField>
      <FormField :label="texts.orPasteItHere"
        ><TextField v-model="text" type="textarea" :rows="14" spellcheck="false" figures
      /></FormField>
      <section v-if="wrong instanceof ApiError && wrong.problems.length" role="alert" class="problems">
        <h3>{{ texts.toMend(wrong.problems.length) }}</h3>
        <ul>
          <li v-for="(problem, index) in wrong.problems" :key="index">
            <b class="v">{{ texts.line(problem.line) }}</b> {{ problem.message }}
            <span v-if="lineOf(problem.line)" class="v soft line">{{ lineOf(problem.line) }}</span>
          </li>
        </ul>
      </section>
      <ErrorNote v-else-if="wrong" :error="wrong" />
      <div class="acts">
        <NButton type="primary" :disabled="!text.trim() || bringIn.isPending.value" @click="bring">
          {{ texts.import }}
        </NButton>
        <NButton type="primary" ghost @click="show = false">{{ common.notNow }}</NButton>
      </div>
    </div>
  </Dialog>
</template>

<style scoped>
.stack {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 10px;
}
.problems {
  background: var(--fix-bg);
  border-radius: var(--radius);
  padding: 10px 14px;
  max-height: 200px;
  overflow: auto;
}
.problems ul {
  margin: 4px 0 0;
  padding-left: 18px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 5px;
}
.line {
  display: block;
  overflow-wrap: anywhere;
}
.acts {
  display: flex;
  gap: 10px;
}
</style>
