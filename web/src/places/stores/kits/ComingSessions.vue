<script setup lang="ts">
// The coming sessions against the kits: enough or too few, what to swap together, what is missing.
import { NButton, NDescriptionsItem } from 'naive-ui'
import Facts from '@/pieces/lists/Facts.vue'
import Asked from '@/pieces/states/Asked.vue'
import EmptyNote from '@/pieces/states/EmptyNote.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { STORES_STALE, useComing } from '@/queries/stores'
import { ask, client, type Schemas } from '@/api/client'
import { useAct } from '@/shared/act'
import { clockTime, dayOf } from '@/shared/words'
import Sentence from '@/pieces/Sentence.vue'
import Sheet from '@/pieces/states/Sheet.vue'
import { comingSessions as texts } from '@texts/stores'

const coming = useComing()
const { busy, error, said, run } = useAct(STORES_STALE)
/** What was missing is in the kit now, out of the spares. */
const filled = (tag: string) => run(() => ask(client.POST('/api/hatch/put-right', { body: { tag } })))
type Row = Schemas['ComingOut']
function state(row: Row): { word: string; tone: string } {
  if (row.short) return { word: texts.short(row.short), tone: 'bad' }
  if (row.ready < row.pairs) return { word: texts.enoughAfterSome, tone: 'work' }
  return { word: texts.enough, tone: 'good' }
}
</script>

<template>
  <section :aria-label="texts.comingSessions">
    <header class="flex gap-3.5 items-baseline justify-between mb-3">
      <h2>{{ texts.comingSessions }}</h2>
      <span class="flex gap-4"
        ><a href="/api/stores/coming.pdf" target="_blank">{{ texts.printLink }}</a
        ><a href="/api/stores/coming.csv" download>{{ texts.tableLink }}</a></span
      >
    </header>
    <ErrorNote :error="error" />
    <p v-if="said" class="said text-good mb-2.5" role="status">{{ said }}</p>
    <Asked v-slot="{ data: rows }" shape="table" :query="coming" :what="texts.subject">
      <EmptyNote v-if="!rows.length" :title="texts.none" :text="texts.noneHint" />
      <ul v-else class="list-none m-0 p-0 grid grid-cols-1 gap-2.5">
        <Sheet
          v-for="(row, index) in rows"
          :key="`${row.session}-${row.exercise}`"
          tag="li"
          pad="small"
          inner="grid grid-cols-[minmax(0,1fr)_auto] gap-y-0.5 gap-x-4.5 items-baseline"
          :class="state(row).tone"
        >
          <p class="what font-semibold text-lg">{{ row.exercise }}</p>
          <p class="state text-right font-semibold">{{ state(row).word }}</p>
          <p class="soft">
            {{ dayOf(row.starts_at) }}, {{ clockTime(row.starts_at) }}, {{ row.section }}
            <a
              v-if="index === 0 || rows[index - 1]!.session !== row.session"
              class="ml-2.5"
              :href="`/api/sessions/${row.session}/picking.pdf`"
              target="_blank"
              >{{ texts.pickingListPdf }}</a
            >
          </p>
          <p class="count text-right">
            <Sentence :text="texts.readyFor(row.pairs)"
              ><template #ready
                ><b class="v">{{ row.ready }}</b></template
              >
              <template #pairs
                ><b class="v">{{ row.pairs }}</b></template
              >
            </Sentence>
          </p>
          <Facts
            v-if="row.to_test.length || row.fill.length || row.swap.length || row.missing.length"
            class="col-span-full mt-1.5"
          >
            <NDescriptionsItem v-if="row.to_test.length" :label="texts.testFirst">
              <span class="v">{{ row.to_test.join(', ') }}</span>
            </NDescriptionsItem>
            <NDescriptionsItem v-if="row.fill.length" :label="texts.fill">
              <div v-for="fill in row.fill" :key="fill.tag">
                {{ fill.tag }}: {{ fill.what.join(', ') }}
                <NButton type="primary" quaternary :disabled="busy" @click="filled(fill.tag)">
                  {{ texts.filled }}
                </NButton>
              </div>
            </NDescriptionsItem>
            <NDescriptionsItem v-if="row.swap.length" :label="texts.swapIn">
              <div v-for="swap in row.swap" :key="swap">{{ swap }}</div>
            </NDescriptionsItem>
            <NDescriptionsItem v-if="row.missing.length" :label="texts.get">
              {{ row.missing.join(', ') }}
            </NDescriptionsItem>
          </Facts>
        </Sheet>
      </ul>
    </Asked>
  </section>
</template>

<style scoped>
.good .state {
  color: var(--good);
}
.work .state {
  color: var(--copper);
}
.bad .state {
  color: var(--stop);
}
</style>
