<script setup lang="ts">
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import LinkButton from '@/pieces/controls/LinkButton.vue'
import Asked from '@/pieces/states/Asked.vue'
import EmptyNote from '@/pieces/states/EmptyNote.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import StationNav from '@/pieces/stations/StationNav.vue'
import { useMyDocketQuery, useMyDockets } from '@/queries/my-bench'
import { capital, clockTime, stationName, STATIONS, type StationName } from '@/shared/words'
import { common } from '@texts/common'
import { myBench as texts } from '@texts/my-bench'
import MyKit from './MyKit.vue'
import MyWork from './MyWork.vue'
import { provideMyDocket } from './use-my-docket'
import { lazy } from '@/pieces/lazy'

const MyMarks = lazy(() => import('./MyMarks.vue'))
const MyPower = lazy(() => import('./MyPower.vue'))
const FormField = lazy(() => import('@/pieces/fields/FormField.vue'))
const ChoiceField = lazy(() => import('@/pieces/fields/ChoiceField.vue'))

const route = useRoute()
const router = useRouter()
const list = useMyDockets()
const dockets = computed(() => list.data.value ?? [])
// Which docket and which station are looked at stands in the address; without one it is the latest, where it is now.
const id = computed(
  () => dockets.value.find((d) => d.id === Number(route.query.docket))?.id ?? dockets.value[0]?.id ?? null,
)
const query = useMyDocketQuery(id)
const docket = computed(() => query.data.value ?? null)
const { refused } = provideMyDocket(docket)
const station = computed<StationName>(() => {
  const named = route.query.station as StationName
  const has = docket.value?.stations.some((s) => s.station === named) ?? STATIONS.includes(named)
  return has ? named : ((docket.value?.current ?? 'kit') as StationName)
})
const at = (name: string) => ({ query: { ...route.query, station: name } })
const stations = computed(() => (docket.value?.stations ?? []).map((s) => s.station as StationName))
const before = computed(() => stations.value[stations.value.indexOf(station.value) - 1])
const after = computed(() => stations.value[stations.value.indexOf(station.value) + 1])
function choose(chosen: number) {
  void router.replace({ query: { docket: chosen } })
}
const state = computed(() => docket.value?.stations.find((s) => s.station === station.value)?.state ?? null)

const overStop = computed(() => docket.value?.passed_over_stop.includes(station.value) ?? false)
const passedWords = computed(() => (overStop.value ? texts.passedOverStop : texts.done))
const WHAT: Record<string, string> = {
  asks: texts.requested,
  'sent-back': texts.sentBackLook,
  voided: texts.clearanceVoid,
}
const NEXT: Record<StationName, string> = {
  kit: texts.fetchKit,
  wiring: texts.buildTheCircuit,
  power: texts.powerHint,
  program: texts.writeTheProgram,
  readings: texts.takeTheReadings,
  mark: texts.yourInstructorMarks,
}
const message = computed(() =>
  state.value !== 'sent-back'
    ? null
    : (docket.value?.messages.filter((m) => m.station === station.value && m.reason).at(-1) ?? null),
)
const pass = computed(() => state.value === 'passed')
</script>

<template>
  <div class="page max-w-215 mx-auto pt-4 pb-10 px-4.5 grid grid-cols-1 gap-3.5">
    <Asked v-if="!list.data.value" :query="list" :what="texts.yourBench" />
    <EmptyNote v-else-if="id === null" :title="texts.noKitYet" :text="texts.fetchYourKit" />
    <Asked v-else-if="!docket" :query="query" :what="texts.yourBench" />
    <template v-else>
      <ErrorNote v-if="query.error.value" :error="query.error.value">
        <p>{{ texts.shownFrom(clockTime(query.dataUpdatedAt.value)) }}</p>
      </ErrorNote>
      <p v-if="docket.voided" class="bg-stop text-ground rounded py-3 px-4" role="alert">
        <b>{{ texts.powerOff }}</b> {{ texts.powerVoided(capital(docket.voided)) }}
      </p>
      <FormField v-if="dockets.length > 1" beside :label="common.exercise">
        <ChoiceField
          :model-value="id"
          :options="dockets.map((one) => ({ value: one.id, label: one.title }))"
          @update:model-value="choose"
        />
      </FormField>
      <header class="flex gap-3.5 items-center">
        <span class="number font-bold text-[44px] leading-none">{{ docket.bench }}</span>
        <div>
          <h1>{{ docket.exercise.title }}</h1>
          <span class="soft">{{ texts.kit(docket.members, docket.kit) }}</span>
        </div>
      </header>
      <StationNav :stations="docket.stations" :chosen="station" :to="at" />
      <section class="now" :class="state ?? 'ahead'">
        <h2>{{ stationName(station) }}{{ pass ? texts.passed : '' }}</h2>
        <p>{{ WHAT[state ?? ''] ?? (pass ? passedWords : NEXT[station]) }}</p>
        <p v-if="docket.judging" class="soft" role="status">{{ texts.checkRunning }}</p>
        <p v-if="message" class="font-semibold mt-1">{{ message.by }}: “{{ message.reason }}”</p>
      </section>
      <ErrorNote :error="refused" />
      <MyKit v-if="station === 'kit'" :docket="docket" />
      <MyPower v-else-if="station === 'power'" :docket="docket" />
      <MyMarks v-else-if="station === 'mark'" :docket="docket" />
      <MyWork v-else :key="`${docket.id}-${station}`" :docket="docket" :kind="station" />
      <nav class="steps flex justify-between" :aria-label="texts.stationsLabel">
        <LinkButton v-if="before" :to="at(before)" replace quaternary>← {{ stationName(before) }}</LinkButton>
        <span />
        <LinkButton v-if="after" :to="at(after)" replace quaternary>{{ stationName(after) }} →</LinkButton>
      </nav>
    </template>
  </div>
</template>

<style scoped>
.now {
  border-left: 4px solid var(--pad);
  background: var(--sheet);
  border-radius: 0 var(--radius) var(--radius) 0;
  padding: 11px 16px;
}
.now.asks {
  border-color: var(--act);
}
.now.sent-back,
.now.voided {
  border-color: var(--stop);
  background: var(--stop-bg);
}
.now.passed {
  border-color: var(--copper);
}
@media (max-width: 500px) {
  .page {
    padding: 12px 12px 40px;
  }
}
</style>
