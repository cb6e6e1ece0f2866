<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
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
const { docket, query, refused, undo } = provideDocket(id)

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
  n: { does: texts.nextBenchInTheRound, act: next },
  u: { does: texts.undoTheLastDecision, act: () => void (docket.value?.undo && undo()) },
  f: { does: texts.toBackToTheFloor, act: () => void router.push('/floor') },
  ArrowRight: { does: texts.nextStation, act: () => turn(1) },
  ArrowLeft: { does: texts.stationBefore, act: () => turn(-1) },
})
</script>

<template>
  <div v-if="!docket" class="loading">
    <h1 v-if="query.error.value">{{ texts.thisDocketCannot }}</h1>
    <Asked :query="query" :what="texts.theDocket">
      <template #failed
        ><RouterLink to="/floor">{{ texts.backToTheFloor }}</RouterLink></template
      >
    </Asked>
  </div>
  <div v-else class="docket">
    <header>
      <span class="number">{{ docket.bench ?? '–' }}</span>
      <div class="who">
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
    <ErrorNote v-if="query.error.value" class="refused" :error="query.error.value">
      <p>{{ texts.whatYouSeeIsFrom(clockTime(query.dataUpdatedAt.value)) }}</p>
    </ErrorNote>
    <ErrorNote v-if="refused" class="refused" :error="refused" />
    <p v-if="nothingNext" class="refused soft">{{ texts.nobodyElseWaits }}</p>
    <div class="place"><component :is="PLACES[station]" :key="`${id}-${station}`" @next="next" /></div>
  </div>
</template>

<style scoped>
.docket {
  display: flex;
  flex-direction: column;
  height: 100%;
}
header {
  display: flex;
  align-items: center;
  gap: 16px;
  padding: 12px 20px 8px;
}
.number {
  font-weight: 700;
  font-size: 46px;
  line-height: 1;
  min-width: 34px;
}
.who {
  flex: 1;
  min-width: 0;
}
.trace {
  width: min(660px, 56%);
}
.refused {
  margin: 0 20px 8px;
}
.place {
  flex: 1;
  min-height: 0;
  display: grid;
}
.loading {
  padding: 30px;
  display: grid;
  gap: 12px;
  justify-items: start;
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
