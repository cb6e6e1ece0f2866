<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { onBeforeRouteLeave, onBeforeRouteUpdate, useRoute, useRouter } from 'vue-router'
import Asked from '@/pieces/states/Asked.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import StationNav from '@/pieces/stations/StationNav.vue'
import { useFloor } from '@/queries/floor'
import { useKeys } from '@/shared/keys'
import { clockTime, STATIONS, type StationName } from '@/shared/words'
import { docket as texts } from '@texts/docket'
import DocketBanners from './DocketBanners.vue'
import { provideDocket } from './use-docket'
import { lazy, loadSoon } from '@/pieces/lazy'

const STATION_PARTS = {
  KitStation: () => import('./KitStation.vue'),
  MarkStation: () => import('./mark/MarkStation.vue'),
  PowerStation: () => import('./power/PowerStation.vue'),
  ProgramStation: () => import('./program/ProgramStation.vue'),
  ReadingsStation: () => import('./readings/ReadingsStation.vue'),
  WiringStation: () => import('./wiring/WiringStation.vue'),
}
loadSoon(...Object.values(STATION_PARTS))
const KitStation = lazy(STATION_PARTS.KitStation)
const MarkStation = lazy(STATION_PARTS.MarkStation)
const PowerStation = lazy(STATION_PARTS.PowerStation)
const ProgramStation = lazy(STATION_PARTS.ProgramStation)
const ReadingsStation = lazy(STATION_PARTS.ReadingsStation)
const WiringStation = lazy(STATION_PARTS.WiringStation)
const route = useRoute()
const router = useRouter()
const id = computed(() => Number(route.params.id))
const { docket, query, refused, undo, offerUndo } = provideDocket(id)
onBeforeRouteLeave(() => void offerUndo())
onBeforeRouteUpdate((to) => {
  if (to.params.id !== route.params.id) void offerUndo()
})

const station = computed<StationName>(() => {
  const named = route.params.station as StationName
  // An exercise without a program has no station for it, whatever the address says.
  const has = docket.value?.stations.some((s) => s.station === named) ?? STATIONS.includes(named)
  return has ? named : ((docket.value?.current ?? 'kit') as StationName)
})
function choose(name: string) {
  void router.replace(`/dockets/${id.value}/${name}`)
}
watch([station, id], () => (refused.value = null))

const PLACES = {
  kit: KitStation,
  wiring: WiringStation,
  power: PowerStation,
  program: ProgramStation,
  readings: ReadingsStation,
  mark: MarkStation,
}

const floor = useFloor(computed(() => docket.value?.session))
const nothingNext = ref(false)
function next() {
  const visit = floor.data.value?.round.find((v) => v.docket !== id.value)
  if (visit) void router.push(`/dockets/${visit.docket}`)
  else nothingNext.value = true
}
function turn(step: number) {
  const all = (docket.value?.stations ?? []).map((s) => s.station as StationName)
  choose(all[(all.indexOf(station.value) + step + all.length) % all.length]!)
}
useKeys({
  n: { does: texts.keyNextBench, act: next },
  u: { does: texts.keyUndo, act: () => void (docket.value?.undo && undo()) },
  f: { does: texts.keyFloor, act: () => void router.push('/floor') },
  ArrowRight: { does: texts.keyNextStation, act: () => turn(1) },
  ArrowLeft: { does: texts.keyPreviousStation, act: () => turn(-1) },
})
</script>

<template>
  <div v-if="!docket" class="p-7.5 grid gap-3 justify-items-start">
    <h1 v-if="query.error.value">{{ texts.failedHeading }}</h1>
    <Asked :query="query" :what="texts.subject">
      <template #failed
        ><RouterLink to="/floor">{{ texts.floorLink }}</RouterLink></template
      >
    </Asked>
  </div>
  <div v-else class="docket flex flex-col h-full">
    <header class="flex items-center gap-4 pt-3 pb-2 px-5">
      <span class="number font-bold text-[46px] leading-none min-w-8.5">{{ docket.bench ?? '–' }}</span>
      <div class="who flex-1 min-w-0">
        <h1>{{ docket.pair }}</h1>
        <span class="soft">
          {{ texts.version(docket.exercise.title, docket.exercise.version) }}
          <template v-if="docket.kit"> {{ texts.kit(docket.kit.tag) }}</template>
        </span>
      </div>
      <StationNav
        class="trace"
        :stations="docket.stations"
        :chosen="station"
        :to="(name) => `/dockets/${id}/${name}`"
      />
    </header>
    <DocketBanners />
    <ErrorNote v-if="query.error.value" class="mt-0 mb-2 mx-5" :error="query.error.value">
      <p>{{ texts.shownFrom(clockTime(query.dataUpdatedAt.value)) }}</p>
    </ErrorNote>
    <ErrorNote v-if="refused" class="mt-0 mb-2 mx-5" :error="refused" />
    <p v-if="nothingNext" class="soft mb-2 mx-5">{{ texts.nobodyWaits }}</p>
    <div class="place flex-1 min-h-0 grid">
      <component :is="PLACES[station]" :key="`${id}-${station}`" @next="next" />
    </div>
  </div>
</template>

<style scoped>
.trace {
  width: min(660px, 56%);
}
@media (max-width: 900px) {
  header {
    flex-wrap: wrap;
  }
  .trace {
    width: 100%;
  }
  .docket {
    height: auto;
    min-height: 100%;
  }
}
</style>
