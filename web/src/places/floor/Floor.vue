<script setup lang="ts">
import { NButton, NSkeleton } from 'naive-ui'
import { useStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import LinkButton from '@/pieces/controls/LinkButton.vue'
import Asked from '@/pieces/states/Asked.vue'
import ChoiceBar from '@/pieces/controls/ChoiceBar.vue'
import EmptyNote from '@/pieces/states/EmptyNote.vue'
import { useKeys } from '@/shared/keys'
import { useMe } from '@/shared/me'
import { useServerNow } from '@/shared/now'
import { common } from '@texts/common'
import { floor as texts } from '@texts/floor'
import BenchCard from './BenchCard.vue'
import FloorTable from './FloorTable.vue'
import Papers from './Papers.vue'
import PassClean from './PassClean.vue'
import PauseButton from './PauseButton.vue'
import Round from './Round.vue'
import { useRound } from './use-round'

const { data: me } = useMe()
const { session, sessions, floor, visits, putLater } = useRound()
const router = useRouter()
const view = useStorage<'room' | 'table'>('verifex-floor-view', 'room')
const { now } = useServerNow()
const shown = computed(() => floor.data.value)
const stale = computed(() => !!floor.error.value)
// As the room is drawn; a room without a drawing has as many columns as it says, but never more than there are benches.
const drawn = computed(
  () => !!shown.value?.benches.length && shown.value.benches.every((b) => b.row !== null),
)
const columns = computed(() =>
  drawn.value
    ? (shown.value?.columns ?? 4)
    : Math.min(shown.value?.columns ?? 4, Math.max(1, shown.value?.benches.length ?? 4)),
)
function open(docket: number | null | undefined) {
  void router.push(docket ? `/dockets/${docket}` : '/hatch')
}

// A bench's number, then Enter, opens it; Enter alone opens the first of the Round.
const typed = ref('')
let forget = 0
function digit(key: string) {
  typed.value = (typed.value + key).slice(-2)
  ;(document.activeElement as HTMLElement | null)?.blur() // the Enter that follows is of the number
  window.clearTimeout(forget)
  forget = window.setTimeout(() => (typed.value = ''), 3000)
}
useKeys({
  ...Object.fromEntries([...'0123456789'].map((n) => [n, { does: '', act: () => digit(n) }])),
  Enter: {
    does: texts.openTheFirst,
    act: () => {
      const bench = shown.value?.benches.find((b) => String(b.bench) === typed.value)
      if (typed.value && bench) open(bench.docket)
      else if (!typed.value && visits.value[0]) open(visits.value[0].docket)
      typed.value = ''
    },
  },
  l: { does: texts.putTheFirst, act: () => putLater(visits.value[0]?.docket) },
  t: { does: texts.roomOrTable, act: () => (view.value = view.value === 'room' ? 'table' : 'room') },
})
const papers = ref(false)
</script>

<template>
  <div v-if="!session" class="p-6">
    <Asked :query="sessions" :what="texts.sessionsSubject">
      <EmptyNote :title="texts.noSession" :text="texts.noSessionHint">
        <LinkButton v-if="me?.kind === 'instructor'" to="/set-up">{{ texts.setUpLink }}</LinkButton>
      </EmptyNote>
    </Asked>
  </div>
  <div v-else class="floor grid grid-cols-[346px_1fr] gap-5 py-4.5 px-5 h-full">
    <Round
      class="round"
      :visits="visits"
      :now="now"
      :hatch="shown?.hatch ?? []"
      :loading="!shown"
      @open="open"
      @later="putLater"
    />
    <section class="room" :aria-label="common.room">
      <header class="flex items-baseline gap-3.5 mb-3 flex-wrap">
        <h1>{{ shown?.title ?? session.section }}</h1>
        <span class="soft">
          {{ session.room }}<template v-if="shown"> · {{ texts.pairs(shown.benches.length) }}</template>
        </span>
        <span v-if="typed" class="v bg-act text-act-ink rounded py-0.5 px-2.5"
          >{{ texts.bench(typed) }} <kbd>{{ common.enter }}</kbd></span
        >
        <span class="flex-1" />
        <PassClean v-if="shown" :session="session.id" :benches="shown.benches" />
        <PauseButton v-if="shown" :session="shown.session" />
        <NButton type="primary" quaternary @click="papers = true">{{ texts.papers }}</NButton>
        <ChoiceBar
          v-model="view"
          :label="texts.view"
          :choices="[
            { value: 'room', word: common.room },
            { value: 'table', word: texts.table },
          ]"
        />
      </header>
      <Papers
        v-if="shown"
        v-model:show="papers"
        :session="session.id"
        :pairs="shown.benches.filter((b) => b.docket).length"
      />
      <Asked :query="floor" :what="texts.roomSubject">
        <template #loading>
          <div class="cards"><NSkeleton v-for="n in 8" :key="n" height="100%" /></div>
          <span class="visually-hidden">{{ texts.loadingTheRoom }}</span>
        </template>
        <template #default="{ data }">
          <EmptyNote v-if="!data.benches.length" :title="texts.noSeats" :text="texts.noSeatsHint">
            <LinkButton to="/hatch">{{ texts.handOutKits }}</LinkButton>
          </EmptyNote>
          <FloorTable v-else-if="view === 'table'" :benches="data.benches" :now="now" @open="open" />
          <div v-else class="cards" :class="{ stale, drawn }" :style="{ '--columns': columns }">
            <BenchCard
              v-for="bench in data.benches"
              :key="bench.docket ?? `bench-${bench.bench}`"
              :bench="bench"
              :now="now"
              :names-exercise="data.exercises > 1"
              :style="drawn ? { '--row': bench.row! + 1, '--column': bench.column! + 1 } : undefined"
              @open="open(bench.docket)"
            />
          </div>
        </template>
      </Asked>
    </section>
  </div>
</template>

<style scoped>
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
.cards {
  display: grid;
  grid-template-columns: repeat(var(--columns, 4), minmax(0, 330px));
  grid-auto-rows: minmax(150px, auto);
  gap: 12px;
  padding: 2px;
}
@media (min-width: 1001px) {
  .cards.drawn > * {
    grid-row: var(--row);
    grid-column: var(--column);
  }
}
.cards.stale {
  opacity: 0.6;
}
@media (max-width: 1000px) {
  .floor {
    grid-template-columns: minmax(0, 1fr);
    height: auto;
  }
  .room,
  .round {
    overflow: visible;
  }
  .cards {
    grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  }
}
@media (max-width: 700px) {
  .floor {
    padding: 12px;
  }
  .cards {
    grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  }
}
</style>
