<script setup lang="ts">
// Copies of the data and the event log: who did what, found by a word, saved as a table.
import { NButton, NFlex, NTable } from 'naive-ui'
import { computed, ref } from 'vue'
import { ask, client } from '@/api/client'
import TextField from '@/pieces/fields/TextField.vue'
import Asked from '@/pieces/states/Asked.vue'
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
const word = ref('')
const before = ref<number | null>(null)
const events = useEvents(id, word, before)
const { busy, error, said, run } = useAct(STALE)
const csv = computed(
  () => `/api/set-up/courses/${props.course.id}/events.csv?word=${encodeURIComponent(word.value)}`,
)
const out = computed(() => `/api/set-up/courses/${props.course.id}/export.zip`)
const copy = () => run(() => ask(client.POST('/api/set-up/backup')))
</script>

<template>
  <PartHead :title="texts.copiesAndEvent" :text="texts.whatWasDone" />
  <section class="grid gap-2 pb-4 mb-4 border-b border-b-line">
    <p :class="{ old: course.backup_is_old }">
      {{
        course.last_backup
          ? texts.theDataWereCopied(
              dayOf(course.last_backup, course.zone),
              clockTime(course.last_backup, course.zone),
            )
          : texts.theDataWereNeverCopied
      }}
      {{ course.backup_is_old ? texts.aCopyIsMadeEvery : '' }}
    </p>
    <NFlex align="center" size="small" class="acts">
      <NButton type="primary" ghost :disabled="busy" @click="copy">{{ texts.copyTheDataNow }}</NButton>
      <NButton tag="a" type="primary" ghost :href="out" download>{{ texts.downloadTheCourse }}</NButton>
      <span class="good" role="status">{{ said }}</span>
    </NFlex>
    <ErrorNote :error="error" />
  </section>
  <div class="find flex flex-wrap gap-2 items-center">
    <TextField
      v-model="word"
      type="search"
      :placeholder="texts.findANameAKit"
      :aria-label="texts.findInTheEvent"
      @input="before = null"
    />
    <NButton tag="a" type="primary" ghost :href="csv" download>{{ texts.saveAsCsv }}</NButton>
  </div>
  <Asked v-slot="{ data }" shape="table" :query="events" :what="texts.theEventLog">
    <div class="wrap">
      <NTable :bordered="false" size="small">
        <caption class="visually-hidden">
          {{
            texts.eventLog
          }}
        </caption>
        <thead>
          <tr>
            <th>{{ texts.when }}</th>
            <th>{{ texts.who }}</th>
            <th>{{ common.what }}</th>
            <th>{{ texts.about }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="event in data.events" :key="event.id">
            <td class="whitespace-nowrap">
              {{ dayOf(event.at, course.zone) }} {{ clockTime(event.at, course.zone) }}
            </td>
            <td>{{ event.by }}</td>
            <td>{{ event.what }}</td>
            <td class="soft">{{ event.about }}</td>
          </tr>
        </tbody>
      </NTable>
    </div>
    <p v-if="!data.events.length" class="soft">
      {{ word ? texts.nothingLikeThatWasDone : texts.nothingWasDone }}
    </p>
    <NFlex align="center" size="small" class="acts">
      <NButton v-if="before" type="primary" quaternary @click="before = null">{{ texts.theNewest }}</NButton>
      <NButton v-if="data.more" type="primary" quaternary @click="before = data.events.at(-1)!.id">
        {{ texts.olderOnes }}
      </NButton>
    </NFlex>
  </Asked>
</template>

<style scoped>
.old {
  color: var(--fix);
}
.find .n-input {
  flex: 1;
  max-width: 420px;
}
.good {
  color: var(--good);
}
</style>
