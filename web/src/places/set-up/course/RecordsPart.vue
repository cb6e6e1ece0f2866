<script setup lang="ts">
// Copies of the data and the event log: who did what, found by a word, saved as a table.
import { NButton, NFlex } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import DateField from '@/pieces/fields/DateField.vue'
import FormField from '@/pieces/fields/FormField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import ListTable, { type ListColumn } from '@/pieces/lists/ListTable.vue'
import Asked from '@/pieces/states/Asked.vue'
import EmptyNote from '@/pieces/states/EmptyNote.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { useEvents } from '@/queries/set-up'
import { useAct } from '@/shared/act'
import { clockTime, dayOf } from '@/shared/words'
import { common } from '@texts/common'
import { recordsPart as texts } from '@texts/set-up'
import PartHead from '../PartHead.vue'
import { type Course, STALE, useSetUp } from '../use-set-up'

const props = defineProps<{ course: Course }>()
const { id } = useSetUp()
const search = ref({ word: '', first: '', last: '' })
const before = ref<number | null>(null)
// Another search begins with its newest event.
watch(search, () => (before.value = null), { deep: true })
const events = useEvents(id, search, before)
const { busy, error, said, run } = useAct(STALE)
const searched = computed(() => Object.entries(search.value).filter(([, value]) => value))
const csv = computed(
  () => `/api/set-up/courses/${props.course.id}/events.csv?${new URLSearchParams(searched.value)}`,
)
const columns: ListColumn<Schemas['EventOut']>[] = [
  { key: 'at', title: texts.when },
  { key: 'by', title: texts.who, mayHide: true },
  { key: 'what', title: common.what },
  { key: 'about', title: texts.about, mayHide: true },
]
const out = computed(() => `/api/set-up/courses/${props.course.id}/export.zip`)
const copy = () => run(() => ask(client.POST('/api/set-up/backup')))
</script>

<template>
  <PartHead :title="texts.heading" :text="texts.help" />
  <section class="grid gap-2 pb-4 mb-4 border-b border-b-line">
    <p :class="{ old: course.backup_is_old }">
      {{
        course.last_backup
          ? texts.lastCopy(dayOf(course.last_backup, course.zone), clockTime(course.last_backup, course.zone))
          : texts.neverCopied
      }}
      {{ course.backup_is_old ? texts.dailyCopy : '' }}
    </p>
    <NFlex align="center" size="small" class="acts">
      <NButton type="primary" ghost :disabled="busy" @click="copy">{{ texts.copyNow }}</NButton>
      <NButton tag="a" type="primary" ghost :href="out" download>{{ texts.downloadCourse }}</NButton>
      <span class="good" role="status">{{ said }}</span>
    </NFlex>
    <ErrorNote :error="error" />
  </section>
  <NFlex align="end" class="find">
    <TextField
      v-model="search.word"
      type="search"
      :placeholder="texts.findHint"
      :aria-label="texts.findLabel"
    />
    <FormField :label="texts.firstDay"><DateField v-model="search.first" /></FormField>
    <FormField :label="texts.lastDay"><DateField v-model="search.last" /></FormField>
    <NButton tag="a" type="primary" ghost :href="csv" download>{{ texts.saveTable }}</NButton>
  </NFlex>
  <Asked v-slot="{ data }" shape="table" :query="events" :what="texts.subject">
    <ListTable
      v-if="data.events.length"
      name="events"
      :rows="data.events"
      :columns="columns"
      :row-key="(event) => event.id"
      :caption="texts.eventLog"
    >
      <template #at="{ row }"
        ><span class="whitespace-nowrap"
          >{{ dayOf(row.at, course.zone) }} {{ clockTime(row.at, course.zone) }}</span
        ></template
      >
      <template #about="{ row }"
        ><span class="soft">{{ row.about }}</span></template
      >
    </ListTable>
    <EmptyNote v-else :title="searched.length ? texts.noMatch : texts.none">
      <NButton
        v-if="searched.length"
        type="primary"
        ghost
        @click="search = { word: '', first: '', last: '' }"
        >{{ texts.allEvents }}</NButton
      >
    </EmptyNote>
    <NFlex align="center" size="small" class="acts">
      <NButton v-if="before" type="primary" quaternary @click="before = null">{{ texts.newest }}</NButton>
      <NButton v-if="data.more" type="primary" quaternary @click="before = data.events.at(-1)!.id">
        {{ texts.older }}
      </NButton>
    </NFlex>
  </Asked>
</template>

<style scoped>
.old {
  color: var(--fix);
}
.find > .n-input {
  flex: 1 1 240px;
  max-width: 420px;
}
.find .n-form-item {
  width: 150px;
}
.good {
  color: var(--good);
}
</style>
