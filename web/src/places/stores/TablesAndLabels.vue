<script setup lang="ts">
// The stores on paper and as tables: labels on sheets, the inspection list, every table out and in.
import { computed, reactive, ref } from 'vue'
import Asked from '@/pieces/Asked.vue'
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
  { value: 'badges', word: texts.badgesOfThePairs },
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
    <h2>{{ texts.labels }}</h2>
    <div class="sheet fields">
      <label>
        <span class="field-label">{{ texts.ofWhat }}</span>
        <select v-model="wanted.kind" class="field">
          <option v-for="kind in KINDS" :key="kind.value" :value="kind.value">{{ kind.word }}</option>
        </select>
      </label>
      <label>
        <span class="field-label">{{ texts.sheet }}</span>
        <select v-model="wanted.sheet" class="field">
          <option v-for="sheet in sheets" :key="sheet.id" :value="sheet.id">{{ sheet.title }}</option>
        </select>
      </label>
      <label>
        <span class="field-label">{{ texts.firstFreeLabel(count) }}</span>
        <input v-model.number="wanted.first" class="field v" type="number" min="1" :max="count" />
      </label>
      <label class="wide">
        <span class="field-label">{{ texts.onlyTheseTagsEmpty }}</span>
        <input v-model="wanted.tags" class="field v" placeholder="T-16 T-17 T-18" maxlength="4000" />
      </label>
      <a class="btn" :href="address" target="_blank">{{ texts.openTheLabelsPdf }}</a>
    </div>
    <h2>{{ texts.listsOnPaper }}</h2>
    <p class="links">
      <a v-if="session" :href="`/api/sessions/${session.id}/inspection.pdf`" target="_blank">{{
        texts.inspectionList
      }}</a>
      <a href="/api/stores/coming.pdf" target="_blank">{{ texts.whatTheComingSessions }}</a>
    </p>
    <h2>{{ texts.tables }}</h2>
    <Asked v-slot="{ data }" :query="tables" :what="texts.theTables">
      <div class="sheet wrap">
        <table class="plain middle">
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
                <button
                  v-if="table.read"
                  class="btn quiet"
                  :aria-label="texts.import(table.title)"
                  @click="importing = table.name"
                >
                  {{ texts.importTable }}
                </button>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <ImportTable v-model:name="importing" :tables="data" />
    </Asked>
  </section>
</template>

<style scoped>
h2 {
  margin: 0 0 10px;
}
h2:not(:first-child) {
  margin-top: 24px;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 12px 16px;
  padding: 16px;
  align-items: end;
}
.wide {
  grid-column: 1 / -1;
}
.fields .btn {
  justify-self: start;
}
.links {
  display: grid;
  gap: 6px;
  justify-items: start;
}
.wrap {
  overflow: auto;
}
th[scope='row'] {
  vertical-align: middle;
  color: var(--ink);
  font-weight: 620;
  font-size: 16px;
}
</style>
