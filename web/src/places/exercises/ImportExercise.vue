<script setup lang="ts">
// An exercise file is imported: chosen or pasted, with every problem at its line.
import { useStorage } from '@vueuse/core'
import { ref } from 'vue'
import { ApiError } from '@/api/client'
import Dialog from '@/pieces/Dialog.vue'
import ErrorNote from '@/pieces/ErrorNote.vue'
import { plural } from '@/shared/language'
import { useActs } from './use-exercise'

const show = defineModel<boolean>('show', { required: true })
const emit = defineEmits<{ done: [id: number] }>()
const text = useStorage('verifex-exercise-draft', '') // what was typed survives a reload
const wrong = ref<unknown>(null)
const { bringIn } = useActs()

async function choose(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (file) text.value = await file.text()
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
  <Dialog v-model:show="show" title="Import an exercise" width="760px">
    <div class="stack">
      <p class="soft">
        A file makes a new version, a draft at first. Dockets that are open stay on the version they began
        with.
      </p>
      <label class="file btn line">
        Choose a file
        <input type="file" accept=".yaml,.yml,text/*" @change="choose" />
      </label>
      <label for="exercise-text">or paste it here</label>
      <textarea id="exercise-text" v-model="text" class="field v" rows="14" spellcheck="false" />
      <section v-if="wrong instanceof ApiError && wrong.problems.length" role="alert" class="problems">
        <h3>{{ plural(wrong.problems.length, 'One line', `${wrong.problems.length} places`) }} to mend</h3>
        <ul>
          <li v-for="(problem, index) in wrong.problems" :key="index">
            <b class="v">line {{ problem.line }}</b> {{ problem.message }}
            <span v-if="lineOf(problem.line)" class="v soft line">{{ lineOf(problem.line) }}</span>
          </li>
        </ul>
      </section>
      <ErrorNote v-else-if="wrong" :error="wrong" />
      <div class="acts">
        <button class="btn" :disabled="!text.trim() || bringIn.isPending.value" @click="bring">Import</button>
        <button class="btn line" @click="show = false">Not now</button>
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
.file {
  justify-self: start;
  position: relative;
}
.file input {
  position: absolute;
  inset: 0;
  opacity: 0;
  cursor: pointer;
}
.file:focus-within {
  outline: 2.5px solid var(--act);
  outline-offset: 2px;
}
textarea {
  font-family: var(--mono);
  width: 100%;
  resize: vertical;
  white-space: pre;
  overflow-x: auto;
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
