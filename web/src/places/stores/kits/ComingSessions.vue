<script setup lang="ts">
// The coming sessions against the kits: enough or too few, what to swap together, what is missing.
import { NButton } from 'naive-ui'
import Asked from '@/pieces/states/Asked.vue'
import EmptyNote from '@/pieces/states/EmptyNote.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { STORES_STALE, useComing } from '@/queries/stores'
import { ask, client, type Schemas } from '@/api/client'
import { useAct } from '@/shared/act'
import { clockTime, dayOf } from '@/shared/words'
import Sentence from '@/pieces/Sentence.vue'
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
    <header>
      <h2>{{ texts.comingSessions }}</h2>
      <span class="links"
        ><a href="/api/stores/coming.pdf" target="_blank">{{ texts.toPrintPdf }}</a
        ><a href="/api/stores/coming.csv" download>{{ texts.asATableCsv }}</a></span
      >
    </header>
    <ErrorNote :error="error" />
    <p v-if="said" class="said" role="status">{{ said }}</p>
    <Asked v-slot="{ data: rows }" shape="table" :query="coming" :what="texts.theComingSessions">
      <EmptyNote
        v-if="!rows.length"
        :title="texts.noSessionIsPlanned"
        :text="texts.sessionsWithTheirExercises"
      />
      <ul v-else>
        <li
          v-for="(row, index) in rows"
          :key="`${row.session}-${row.exercise}`"
          class="sheet"
          :class="state(row).tone"
        >
          <p class="what">{{ row.exercise }}</p>
          <p class="state">{{ state(row).word }}</p>
          <p class="when soft">
            {{ dayOf(row.starts_at) }}, {{ clockTime(row.starts_at) }}, {{ row.section }}
            <a
              v-if="index === 0 || rows[index - 1]!.session !== row.session"
              :href="`/api/sessions/${row.session}/picking.pdf`"
              target="_blank"
              >{{ texts.pickingListPdf }}</a
            >
          </p>
          <p class="count">
            <Sentence :text="texts.readyFor(row.pairs)"
              ><template #ready
                ><b class="v">{{ row.ready }}</b></template
              >
              <template #pairs
                ><b class="v">{{ row.pairs }}</b></template
              >
            </Sentence>
          </p>
          <dl v-if="row.to_test.length || row.fill.length || row.swap.length || row.missing.length">
            <template v-if="row.to_test.length"
              ><dt>{{ texts.testFirst }}</dt>
              <dd class="v">{{ row.to_test.join(', ') }}</dd></template
            >
            <template v-if="row.fill.length"
              ><dt>{{ texts.fill }}</dt>
              <dd v-for="fill in row.fill" :key="fill.tag">
                {{ fill.tag }}: {{ fill.what.join(', ') }}
                <NButton type="primary" quaternary :disabled="busy" @click="filled(fill.tag)">
                  {{ texts.itIsFilled }}
                </NButton>
              </dd></template
            >
            <template v-if="row.swap.length"
              ><dt>{{ texts.swapIn }}</dt>
              <dd v-for="swap in row.swap" :key="swap">{{ swap }}</dd></template
            >
            <template v-if="row.missing.length"
              ><dt>{{ texts.get }}</dt>
              <dd>{{ row.missing.join(', ') }}</dd></template
            >
          </dl>
        </li>
      </ul>
    </Asked>
  </section>
</template>

<style scoped>
header {
  display: flex;
  gap: 14px;
  align-items: baseline;
  justify-content: space-between;
  margin-bottom: 12px;
}
.said {
  color: var(--good);
  margin-bottom: 10px;
}
.when a {
  margin-left: 10px;
}
.links {
  display: flex;
  gap: 16px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 10px;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 2px 18px;
  align-items: baseline;
  padding: 12px 16px;
}
.what {
  font-weight: 640;
  font-size: 16px;
}
.state,
.count {
  text-align: right;
}
.state {
  font-weight: 640;
}
.good .state {
  color: var(--good);
}
.work .state {
  color: var(--copper);
}
.bad .state {
  color: var(--stop);
}
dl {
  grid-column: 1 / -1;
  border-top: 1px solid var(--line);
  padding-top: 6px;
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  gap: 2px 12px;
  margin: 4px 0 0;
}
dt {
  color: var(--soft);
  grid-column: 1;
}
dd {
  margin: 0;
  grid-column: 2;
}
</style>
