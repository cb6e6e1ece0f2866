<script setup lang="ts">
// The stores on paper and as tables: labels on sheets, the inspection list, every table out and in.
import { NButton, NTable } from 'naive-ui'
import { computed, reactive, ref } from 'vue'
import ChoiceField from '@/pieces/fields/ChoiceField.vue'
import FormField from '@/pieces/fields/FormField.vue'
import NumberField from '@/pieces/fields/NumberField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import Asked from '@/pieces/states/Asked.vue'
import Sheet from '@/pieces/states/Sheet.vue'
import { useLabelSheets, useStoreTables } from '@/queries/stores'
import { useSession } from '@/shared/me'
import { common } from '@texts/common'
import { tablesAndLabels as texts } from '@texts/stores'
import ImportTable from './ImportTable.vue'

const { session } = useSession()
const tables = useStoreTables()
const { data: sheets } = useLabelSheets()
const KINDS = [
  { value: 'kits', word: common.kits },
  { value: 'modules', word: texts.modulesAndBoards },
  { value: 'drawers', word: common.drawers },
  { value: 'badges', word: texts.badges },
]
const wanted = reactive({ kind: 'kits', sheet: 'a4-24', first: 1, tags: '' })
const importing = ref('')
const count = computed(() => sheets.value?.find((sheet) => sheet.id === wanted.sheet)?.count ?? 1)
const address = computed(() => {
  const tags = wanted.tags.split(/[\s,;]+/).filter(Boolean)
  const query = new URLSearchParams({ kind: wanted.kind, sheet: wanted.sheet, first: String(wanted.first) })
  if (tags.length) query.set('tags', tags.join(','))
  return `/api/stores/labels.pdf?${query}`
})
</script>

<template>
  <section :aria-label="texts.labels">
    <h2 class="mt-0 mb-2.5 mx-0">{{ texts.labels }}</h2>
    <Sheet
      pad="small"
      inner="fields grid grid-cols-[repeat(auto-fit,minmax(200px,1fr))] gap-y-3 gap-x-4 items-end"
    >
      <FormField :label="texts.kindLabel"
        ><ChoiceField
          v-model="wanted.kind"
          :options="KINDS.map((kind) => ({ value: kind.value, label: kind.word }))"
      /></FormField>
      <FormField :label="texts.sheet"
        ><ChoiceField
          v-model="wanted.sheet"
          :options="(sheets ?? []).map((sheet) => ({ value: sheet.id, label: sheet.title }))"
      /></FormField>
      <FormField :label="texts.firstFreeLabel(count)"
        ><NumberField v-model="wanted.first" :min="1" :max="count"
      /></FormField>
      <FormField class="col-span-full" :label="texts.tagsLabel"
        ><TextField v-model="wanted.tags" placeholder="T-16 T-17 T-18" maxlength="4000" figures
      /></FormField>
      <NButton tag="a" type="primary" :href="address" target="_blank">{{ texts.openLabels }}</NButton>
    </Sheet>
    <h2 class="mt-0 mb-2.5 mx-0">{{ texts.listsOnPaper }}</h2>
    <p class="grid gap-1.5 justify-items-start">
      <a v-if="session" :href="`/api/sessions/${session.id}/inspection.pdf`" target="_blank">{{
        texts.inspectionList
      }}</a>
      <a href="/api/stores/coming.pdf" target="_blank">{{ texts.comingLink }}</a>
    </p>
    <h2 class="mt-0 mb-2.5 mx-0">{{ texts.tables }}</h2>
    <Asked v-slot="{ data }" :query="tables" :what="texts.subject">
      <Sheet pad="none" inner="overflow-auto">
        <NTable :bordered="false" size="small" class="middle">
          <tbody>
            <tr v-for="table in data" :key="table.name">
              <th scope="row">{{ table.title }}</th>
              <td>
                <a
                  :href="`/api/stores/tables/${table.name}.csv`"
                  download
                  :aria-label="texts.asCsv(table.title)"
                  >{{ texts.csv }}</a
                >
              </td>
              <td>
                <a
                  :href="`/api/stores/tables/${table.name}.xlsx`"
                  download
                  :aria-label="texts.asXlsx(table.title)"
                  >{{ texts.xlsx }}</a
                >
              </td>
              <td class="num">
                <NButton
                  v-if="table.read"
                  type="primary"
                  quaternary
                  :aria-label="texts.import(table.title)"
                  @click="importing = table.name"
                >
                  {{ texts.importTable }}
                </NButton>
              </td>
            </tr>
          </tbody>
        </NTable>
      </Sheet>
      <ImportTable v-model:name="importing" :tables="data" />
    </Asked>
  </section>
</template>

<style scoped>
h2:not(:first-child) {
  margin-top: 24px;
}
.fields > .n-button {
  justify-self: start;
}
th[scope='row'] {
  vertical-align: middle;
  color: var(--ink);
  font-weight: 620;
  font-size: 16px;
}
</style>
