<script setup lang="ts">
// A table of the stores read back: what each row would change is seen before anything is stored.
import { NButton, NFlex, NTable } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import SpreadsheetField from '@/pieces/fields/SpreadsheetField.vue'
import FormField from '@/pieces/fields/FormField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import Dialog from '@/pieces/dialog/Dialog.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { STORES_STALE } from '@/queries/stores'
import { useAct } from '@/shared/act'
import { base64Of } from '@/shared/files'
import Sentence from '@/pieces/Sentence.vue'
import { importTable as texts } from '@texts/stores'

const props = defineProps<{ tables: Schemas['StoreTableOut'][] }>()
const name = defineModel<string>('name', { required: true })
const show = computed({ get: () => !!name.value, set: (on) => (name.value = on ? name.value : '') })
const table = computed(() => props.tables.find((one) => one.name === name.value))
const data = ref('')
const file = ref('')
const pasted = ref('')
const preview = ref<Schemas['StoreChangesOut'] | null>(null)
const looking = useAct([])
const importing = useAct(STORES_STALE)
const path = computed(() => ({ name: name.value }))
watch(name, () => {
  preview.value = null
  pasted.value = file.value = ''
  looking.error.value = importing.error.value = null
  importing.said.value = ''
})
const counts = computed(() => {
  const by = (kind: string) => preview.value?.changes.filter((change) => change.kind === kind).length ?? 0
  return { added: by('added'), changed: by('changed'), same: by('same'), wrong: by('wrong') }
})
const will = computed(() => counts.value.added + counts.value.changed)
const shown = computed(() => preview.value?.changes.filter((change) => change.kind !== 'same') ?? [])

async function look(blob: Blob, called: string) {
  file.value = called
  data.value = await base64Of(blob)
  importing.said.value = ''
  preview.value = await looking.run(() =>
    ask(
      client.POST('/api/stores/tables/{name}/preview', {
        params: { path: path.value },
        body: { data: data.value },
      }),
    ),
  )
}
const textBlob = () => new Blob([pasted.value])
function choose(chosen: File) {
  void look(chosen, chosen.name)
}
async function commit() {
  const body = { data: data.value, digest: preview.value!.digest }
  const done = await importing.run(() =>
    ask(client.POST('/api/stores/tables/{name}/import', { params: { path: path.value }, body })),
  )
  if (done) preview.value = null
}
</script>

<template>
  <Dialog v-model:show="show" :title="texts.import(table?.title.toLowerCase() ?? '')" width="780px">
    <template v-if="!preview">
      <p class="soft">
        <Sentence :text="texts.help(table?.needed ?? [])">
          <template #head
            ><span class="v">{{ table?.head.join(', ') }}</span></template
          >
        </Sentence>
      </p>
      <SpreadsheetField :about="texts.fileHelp" @choose="choose" />
      <FormField :label="texts.orPasteCells"
        ><TextField v-model="pasted" type="textarea" :rows="4" figures
      /></FormField>
      <NFlex :wrap="false" align="center" size="small" class="acts">
        <NButton
          type="primary"
          ghost
          :disabled="!pasted.trim()"
          @click="look(textBlob(), texts.whatYouPasted)"
        >
          {{ texts.preview }}
        </NButton>
      </NFlex>
      <ErrorNote :error="looking.error.value" />
      <p v-if="importing.said.value" class="good" role="status">{{ importing.said.value }}</p>
    </template>
    <template v-else>
      <p>
        <Sentence :text="texts.changeCounts(counts.added, counts.changed, counts.same)"
          ><template #file
            ><b>{{ file }}</b></template
          >
          <template #part
            ><template v-if="counts.wrong"
              >, <b class="bad">{{ texts.leftOut(counts.wrong) }}</b></template
            ></template
          >
        </Sentence>
      </p>
      <div class="wrap max-h-[46vh] overflow-auto">
        <NTable :bordered="false" size="small">
          <tbody>
            <tr v-for="change in shown" :key="change.row" :class="change.kind">
              <td class="num v soft">{{ change.row }}</td>
              <td class="kind font-semibold text-good">{{ change.kind }}</td>
              <td class="v">{{ change.about }}</td>
              <td>{{ change.what }}</td>
            </tr>
          </tbody>
        </NTable>
      </div>
      <ErrorNote :error="importing.error.value" />
      <NFlex :wrap="false" align="center" size="small" class="acts">
        <NButton type="primary" :disabled="!will || importing.busy.value" @click="commit">
          {{ will ? texts.importRows(will) : texts.nothingToImport }}
        </NButton>
        <NButton type="primary" quaternary @click="preview = null">{{ texts.anotherFile }}</NButton>
      </NFlex>
    </template>
  </Dialog>
</template>

<style scoped>
.changed .kind {
  color: var(--copper);
}
.wrong td,
.bad {
  color: var(--stop);
}
.good {
  color: var(--good);
}
</style>
