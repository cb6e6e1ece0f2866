<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { useStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { ask, client } from '@/api/client'
import ChoiceBar from '@/pieces/ChoiceBar.vue'
import EmptyNote from '@/pieces/EmptyNote.vue'
import ErrorNote from '@/pieces/ErrorNote.vue'
import { useKeys } from '@/shared/keys'
import { useSession } from '@/shared/me'
import { useServerNow } from '@/shared/now'
import { USUAL_MS } from '@/shared/polling'
import BenchCard from './BenchCard.vue'
import FloorTable from './FloorTable.vue'
import Papers from './Papers.vue'
import PassClean from './PassClean.vue'
import Round from './Round.vue'
import { useLater } from './use-later'

const { session, isPending: noSessionYet, error: sessionError } = useSession()
const router = useRouter()
const view = useStorage<'room' | 'table'>('verifex-floor-view', 'room')
const { data, error, isPending, dataUpdatedAt } = useQuery({
  queryKey: ['floor', computed(() => session.value?.id)],
  queryFn: () =>
    ask(
      client.GET('/api/sessions/{session_id}/floor', { params: { path: { session_id: session.value!.id } } }),
    ),
  enabled: computed(() => !!session.value),
  refetchInterval: USUAL_MS,
})
const { now } = useServerNow()
const later = useLater(computed(() => data.value?.round))
const visits = computed(() => {
  const all = data.value?.round ?? []
  return [...all.filter((v) => !later.isLater(v)), ...all.filter((v) => later.isLater(v))]
})
function open(docket: number | null | undefined) {
  void router.push(docket ? `/dockets/${docket}` : '/hatch')
}
function putLater(docket: number | undefined) {
  const visit = data.value?.round.find((v) => v.docket === docket)
  if (visit) later.put(visit)
}

// A bench's number, then Enter, opens it; Enter alone opens the first of the Round.
const typed = ref('')
let forget = 0
function digit(key: string) {
  typed.value = (typed.value + key).slice(-2)
  window.clearTimeout(forget)
  forget = window.setTimeout(() => (typed.value = ''), 3000)
}
useKeys({
  ...Object.fromEntries([...'0123456789'].map((n) => [n, { does: '', act: () => digit(n) }])),
  Enter: {
    does: 'open the first of the Round, or the bench typed',
    act: () => {
      const bench = data.value?.benches.find((b) => String(b.bench) === typed.value)
      if (typed.value && bench) open(bench.docket)
      else if (!typed.value && visits.value[0]) open(visits.value[0].docket)
      typed.value = ''
    },
  },
  l: { does: 'put the first of the Round later', act: () => putLater(visits.value[0]?.docket) },
  t: { does: 'room or table', act: () => (view.value = view.value === 'room' ? 'table' : 'room') },
})
const papers = ref(false)
const stale = computed(() => !!error.value && !!data.value)
</script>

<template>
  <EmptyNote
    v-if="!session && !noSessionYet"
    title="No session is planned"
    text="A session names a section, a room and a time; the floor shows it on the day."
  >
    <ErrorNote :error="sessionError" />
  </EmptyNote>
  <div v-else class="floor">
    <Round
      class="round"
      :visits="visits"
      :now="now"
      :hatch="data?.hatch ?? []"
      :loading="isPending"
      @open="open"
      @later="putLater"
    />
    <section class="room" aria-label="Room">
      <header>
        <h1>{{ data?.title ?? session?.section }}</h1>
        <span class="soft">
          {{ session?.room
          }}<template v-if="data">
            · {{ data.benches.length }} {{ data.benches.length === 1 ? 'pair' : 'pairs' }}</template
          >
        </span>
        <span v-if="typed" class="typed v">bench {{ typed }} <kbd>Enter</kbd></span>
        <span class="gap" />
        <PassClean v-if="session && data" :session="session.id" :benches="data.benches" />
        <button class="btn quiet" @click="papers = true">Papers</button>
        <ChoiceBar
          v-model="view"
          label="View"
          :choices="[
            { value: 'room', word: 'Room' },
            { value: 'table', word: 'Table' },
          ]"
        />
      </header>
      <Papers
        v-if="session && data"
        v-model:show="papers"
        :session="session.id"
        :pairs="data.benches.filter((b) => b.docket).length"
      />
      <ErrorNote v-if="error" :error="error">
        <p v-if="stale">What you see is from {{ new Date(dataUpdatedAt).toLocaleTimeString('en-GB') }}.</p>
      </ErrorNote>
      <div v-if="isPending" class="grid" aria-busy="true">
        <div v-for="n in 12" :key="n" class="sheet ghost" />
      </div>
      <FloorTable v-else-if="data && view === 'table'" :benches="data.benches" :now="now" @open="open" />
      <div v-else-if="data" class="grid" :class="{ stale }" :style="{ '--columns': data.columns }">
        <BenchCard
          v-for="bench in data.benches"
          :key="bench.docket ?? `bench-${bench.bench}`"
          :bench="bench"
          :now="now"
          @open="open(bench.docket)"
        />
      </div>
    </section>
  </div>
</template>

<style scoped>
.floor {
  display: grid;
  grid-template-columns: 346px 1fr;
  gap: 20px;
  padding: 18px 20px;
  height: 100%;
}
.round {
  overflow: auto;
  min-height: 0;
  padding-right: 4px;
}
.room {
  display: flex;
  flex-direction: column;
  min-width: 0;
  min-height: 0;
  overflow: auto;
}
header {
  display: flex;
  align-items: baseline;
  gap: 14px;
  margin-bottom: 12px;
  flex-wrap: wrap;
}
.gap {
  flex: 1;
}
.typed {
  background: var(--act);
  color: var(--act-ink);
  border-radius: 5px;
  padding: 2px 10px;
}
.grid {
  flex: 1;
  display: grid;
  grid-template-columns: repeat(var(--columns, 4), minmax(0, 1fr));
  grid-auto-rows: minmax(168px, 1fr);
  gap: 12px;
}
.grid.stale {
  opacity: 0.6;
}
.ghost {
  background: var(--sunk);
}
@media (max-width: 1000px) {
  .floor {
    grid-template-columns: 1fr;
    height: auto;
  }
  .room,
  .round {
    overflow: visible;
  }
  .grid {
    grid-template-columns: repeat(3, minmax(0, 1fr));
  }
}
@media (max-width: 700px) {
  .floor {
    padding: 12px;
  }
  .grid {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
