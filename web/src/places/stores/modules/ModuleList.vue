<script setup lang="ts">
// Modules and boards that are tagged one by one: where each is and how it is; one is opened for all that is known of it.
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import Asked from '@/pieces/states/Asked.vue'
import EmptyNote from '@/pieces/states/EmptyNote.vue'
import ListTable, { type ListColumn } from '@/pieces/lists/ListTable.vue'
import { useModules } from '@/queries/stores'
import type { Schemas } from '@/api/client'
import ChoiceField from '@/pieces/fields/ChoiceField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import Sheet from '@/pieces/states/Sheet.vue'
import { common } from '@texts/common'
import { moduleList as texts } from '@texts/stores-modules'
import BatchDialog from './BatchDialog.vue'
import ModuleDialog from './ModuleDialog.vue'
import ModuleState from './ModuleState.vue'
import TagModules from './TagModules.vue'

const modules = useModules()
const find = ref('')
const shown = ref<'all' | 'held' | 'loose' | 'aged'>('all')
const opened = ref<number | null>(null)
const tagging = ref(false)
const batches = ref(false)
type Row = Schemas['ModuleRowOut']
const HELD = ['repair', 'to-test', 'missing']
const CHOICES = [
  { value: 'all', word: texts.all },
  { value: 'held', word: texts.heldBack },
  { value: 'loose', word: texts.withoutKit },
  { value: 'aged', word: texts.calibrationToo },
] as const
const fits: Record<(typeof CHOICES)[number]['value'], (row: Row) => boolean> = {
  all: () => true,
  held: (row) => HELD.includes(row.state),
  loose: (row) => !row.where && row.state !== 'retired',
  aged: (row) => row.aged,
}
const told = computed(() => {
  const all = modules.data.value ?? []
  const parts = [texts.modules(all.filter((row) => row.state !== 'retired').length)]
  for (const choice of CHOICES.slice(1)) {
    const number = all.filter(fits[choice.value]).length
    if (number) parts.push(`${number} ${choice.word}`)
  }
  return parts.join(', ')
})
const columns: ListColumn<Row>[] = [
  { key: 'tag', title: texts.tag, by: (row) => row.tag },
  { key: 'title', title: common.kind, by: (row) => row.title },
  { key: 'where', title: texts.where, by: (row) => row.where },
  { key: 'state', title: common.state, by: (row) => row.state },
  { key: 'calibration', title: texts.calibration, by: (row) => row.calibration, mayHide: true },
  { key: 'batch', title: common.batch, by: (row) => row.batch, mayHide: true },
]
const rows = computed(() => {
  const words = find.value.toLowerCase().split(/\s+/).filter(Boolean)
  return (modules.data.value ?? []).filter(
    (row) =>
      fits[shown.value](row) &&
      words.every((word) => `${row.tag} ${row.title} ${row.where} ${row.batch}`.toLowerCase().includes(word)),
  )
})
</script>

<template>
  <section :aria-label="common.modules">
    <header class="flex flex-wrap gap-2.5 items-center mb-3">
      <TextField v-model="find" type="search" :placeholder="texts.findHint" :aria-label="texts.findAModule" />
      <ChoiceField
        v-model="shown"
        :aria-label="texts.whichModules"
        :options="CHOICES.map((choice) => ({ value: choice.value, label: choice.word }))"
      />
      <NButton type="primary" ghost @click="batches = true">{{ texts.batches }}</NButton>
      <NButton type="primary" @click="tagging = true">{{ texts.tagModules }}</NButton>
    </header>
    <Asked v-slot="{ data }" shape="table" :query="modules" :what="texts.subject">
      <EmptyNote v-if="!data.length" :title="texts.none" :text="texts.noneHint" />
      <p v-else-if="!rows.length" class="soft py-4.5 px-1">{{ texts.noModuleFits }}</p>
      <template v-else>
        <p class="soft mb-2.5">{{ told }}</p>
        <Sheet pad="none">
          <ListTable
            name="modules"
            :rows="rows"
            :columns="columns"
            :row-key="(row) => row.id"
            :row-props="(row) => ({ class: 'whole', onClick: () => (opened = row.id) })"
            :caption="common.modules"
          >
            <template #tag="{ row }">
              <NButton text class="tag" @click.stop="opened = row.id">{{ row.tag }}</NButton>
            </template>
            <template #where="{ row }">{{ row.where || texts.loose }}</template>
            <template #state="{ row }"><ModuleState :row="row" short /></template>
            <template #calibration="{ row }">
              <span class="soft">{{ row.calibration }}</span>
              <b v-if="row.aged" class="text-stop whitespace-nowrap">{{ texts.tooOld }}</b>
            </template>
          </ListTable>
        </Sheet>
      </template>
    </Asked>
    <ModuleDialog v-model:id="opened" />
    <TagModules v-model:show="tagging" />
    <BatchDialog v-model:show="batches" />
  </section>
</template>

<style scoped>
header .n-input {
  flex: 1 1 180px;
}
header .n-select {
  width: 176px;
}
.tag {
  font-family: inherit;
  text-decoration: underline;
  text-decoration-color: var(--line);
  text-underline-offset: 3px;
  font-weight: 700;
}
</style>
