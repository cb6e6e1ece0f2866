<script setup lang="ts">
// A class list is imported in three looks: the file, what its columns are, what would change.
import { NButton, NFlex } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import SpreadsheetField from '@/pieces/fields/SpreadsheetField.vue'
import FormField from '@/pieces/fields/FormField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import Dialog from '@/pieces/dialog/Dialog.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { useAct } from '@/shared/act'
import { base64Of } from '@/shared/files'
import Sentence from '@/pieces/Sentence.vue'
import { importList as texts } from '@texts/set-up-people'
import ListChanges from './ListChanges.vue'
import ListColumns from './ListColumns.vue'
import { STALE } from '../use-set-up'

const props = defineProps<{ section: number }>()
const show = defineModel<boolean>('show', { required: true })
const emit = defineEmits<{ done: [said: string] }>()
const data = ref('')
const pasted = ref('')
const file = ref('')
const read = ref<Schemas['ListReadOut'] | null>(null)
const meanings = ref<Record<string, number>>({})
const firstRow = ref(0)
const preview = ref<Schemas['PreviewOut'] | null>(null)
const take = ref<number[]>([])
const takeOff = ref<number[]>([])
const { busy, error, run } = useAct([])
const importing = useAct(STALE)
const path = computed(() => ({ section_id: props.section }))
const list = () => ({ data: data.value, first_row: firstRow.value, meanings: meanings.value })

watch(show, (shown) => {
  if (!shown) return
  read.value = preview.value = null
  error.value = importing.error.value = null
})
async function choose(chosen: File) {
  file.value = chosen.name
  await look(await base64Of(chosen))
}
async function paste() {
  file.value = texts.whatYouPasted
  await look(await base64Of(new Blob([pasted.value])))
}
async function look(content: string) {
  data.value = content
  const body = { data: content }
  const found = await run(() =>
    ask(
      client.POST('/api/set-up/sections/{section_id}/class-list/read', {
        params: { path: path.value },
        body,
      }),
    ),
  )
  if (!found) return
  read.value = found
  firstRow.value = found.first_row
  meanings.value = found.meanings
  preview.value = null
  if (Object.keys(found.meanings).some((m) => m === 'name' || m === 'last')) await compare()
}
async function compare() {
  take.value = []
  takeOff.value = []
  preview.value = await run(() =>
    ask(
      client.POST('/api/set-up/sections/{section_id}/class-list/preview', {
        params: { path: path.value },
        body: list(),
      }),
    ),
  )
}
watch([meanings, firstRow], () => read.value && preview.value && void compare(), { deep: true })
async function commit() {
  const body = { ...list(), seen: preview.value!.digest, take: take.value, take_off: takeOff.value }
  const done = await importing.run(() =>
    ask(
      client.POST('/api/set-up/sections/{section_id}/class-list/import', {
        params: { path: path.value },
        body,
      }),
    ),
  )
  if (!done) return
  show.value = false
  const parts = [
    [done.added, 'added'],
    [done.changed, 'changed'],
    [done.taken_off, texts.takenOff],
  ].filter(([count]) => count)
  emit(
    'done',
    parts.length ? texts.imported(parts.map(([n, what]) => `${n} ${what}`).join(', ')) : texts.nothingWasNew,
  )
}
const will = computed(() => {
  const all = preview.value?.changes ?? []
  return (
    all.filter((c) => c.kind === 'added' || c.kind === 'changed').length +
    take.value.length +
    takeOff.value.length
  )
})
</script>

<template>
  <Dialog v-model:show="show" :title="texts.heading" width="860px">
    <div v-if="!read" class="grid gap-3">
      <SpreadsheetField :about="texts.fileHelp" @choose="choose" />
      <FormField :label="texts.orPasteCells"
        ><TextField v-model="pasted" type="textarea" :rows="7" spellcheck="false" figures
      /></FormField>
      <p>
        <NButton type="primary" ghost :disabled="busy || !pasted.trim()" @click="paste">
          {{ texts.readPasted }}
        </NButton>
      </p>
    </div>
    <template v-else>
      <p>
        <Sentence :text="texts.rows(read.count)"
          ><template #file
            ><b>{{ file }}</b></template
          >
          <template #link
            ><NButton type="primary" quaternary @click="read = preview = null">
              {{ texts.chooseAnotherOne }}
            </NButton></template
          ></Sentence
        >
      </p>
      <ListColumns v-model:meanings="meanings" v-model:first-row="firstRow" :rows="read.rows" />
      <ListChanges v-if="preview" v-model:take="take" v-model:take-off="takeOff" :preview="preview" />
      <p v-else>
        <NButton type="primary" ghost :disabled="busy" @click="compare">{{ texts.preview }}</NButton>
      </p>
    </template>
    <ErrorNote :error="importing.error.value ?? error" />
    <NFlex v-if="preview" :wrap="false" align="center" class="acts">
      <NButton type="primary" :disabled="busy || importing.busy.value || !will" @click="commit">
        {{ will ? texts.import(will) : texts.nothingToImport }}
      </NButton>
      <span class="soft">{{ texts.atomic }}</span>
    </NFlex>
  </Dialog>
</template>
