<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { ask, client } from '@/api/client'
import EmptyNote from '@/pieces/EmptyNote.vue'
import ErrorNote from '@/pieces/ErrorNote.vue'
import StationTrace from '@/pieces/StationTrace.vue'
import { soonWhileJudged } from '@/shared/polling'
import { capital, STATIONS, type StationName } from '@/shared/words'
import MyKit from './MyKit.vue'
import MyMarks from './MyMarks.vue'
import MyPower from './MyPower.vue'
import MyWork from './MyWork.vue'
import { provideMyDocket } from './use-my-docket'

const {
  data: dockets,
  error: listError,
  isPending: noList,
} = useQuery({
  queryKey: ['my-dockets'],
  queryFn: () => ask(client.GET('/api/my/dockets')),
  refetchInterval: 15_000,
})
const chosen = ref<number | null>(null)
const id = computed(() => chosen.value ?? dockets.value?.[0]?.id ?? null)
const { data, error: docketError } = useQuery({
  queryKey: ['my-docket', id],
  queryFn: () =>
    ask(client.GET('/api/my/dockets/{docket_id}', { params: { path: { docket_id: id.value! } } })),
  enabled: computed(() => id.value !== null),
  refetchInterval: (q) => soonWhileJudged(q.state.data?.judging),
})
const docket = computed(() => data.value ?? null)
const error = computed(() => docketError.value ?? listError.value)
const isPending = computed(() => noList.value || (id.value !== null && !docket.value && !error.value))
const { refused } = provideMyDocket(docket)
const picked = ref<StationName | null>(null)
const station = computed<StationName>(() => picked.value ?? ((docket.value?.current ?? 'kit') as StationName))
const state = computed(() => docket.value?.stations.find((s) => s.station === station.value)?.state ?? null)

const overStop = computed(() => docket.value?.passed_over_stop.includes(station.value) ?? false)
const passedWords = computed(() =>
  overStop.value
    ? 'Passed by your instructor although a Stop stands below: power stays off until a person clears your bench.'
    : 'Done. You can look at it again here.',
)
const WHAT: Record<string, string> = {
  asks: 'Your instructor is coming. You can go on reading, or take the request back.',
  'sent-back': 'Sent back: look at the hints, mend it, and hand it in again.',
  voided: 'The clearance is void: power off.',
}
const NEXT: Record<StationName, string> = {
  kit: 'Fetch your kit at the hatch.',
  wiring: 'Build the circuit, then hand in where every lead goes.',
  power: 'Ask for power. Nothing is switched on before a person has looked.',
  program: 'Write the program and hand it in.',
  readings: 'Take the readings step by step and paste the log.',
  mark: 'Your instructor marks the docket.',
}
const message = computed(() =>
  state.value !== 'sent-back'
    ? null
    : (docket.value?.messages.filter((m) => m.station === station.value && m.reason).at(-1) ?? null),
)
const pass = computed(() => state.value === 'passed')
</script>

<template>
  <div class="page">
    <ErrorNote :error="error" />
    <p v-if="isPending" class="soft" aria-busy="true">Looking for your bench…</p>
    <EmptyNote
      v-else-if="!docket && !error"
      title="No kit yet"
      text="Fetch your kit at the hatch: your docket opens when it is handed to you."
    />
    <template v-else-if="docket">
      <p v-if="docket.voided" class="off" role="alert">
        <b>Power off.</b> {{ capital(docket.voided) }}. Ask for power again when it is mended.
      </p>
      <label v-if="(dockets?.length ?? 0) > 1" class="which">
        <span class="soft">Exercise</span>
        <select
          class="field"
          :value="id"
          @change="chosen = Number(($event.target as HTMLSelectElement).value)"
        >
          <option v-for="one in dockets" :key="one.id" :value="one.id">{{ one.title }}</option>
        </select>
      </label>
      <header>
        <span class="number">{{ docket.bench }}</span>
        <div>
          <h1>{{ docket.exercise.title }}</h1>
          <span class="soft">{{ docket.members.join(' and ') }} · kit {{ docket.kit }}</span>
        </div>
      </header>
      <StationTrace
        labels
        :stations="docket.stations"
        :current="docket.current"
        :chosen="station"
        @choose="(s) => (picked = s as StationName)"
      />
      <section class="now" :class="state ?? 'ahead'">
        <h2>{{ capital(station) }}{{ pass ? ': passed' : '' }}</h2>
        <p>{{ WHAT[state ?? ''] ?? (pass ? passedWords : NEXT[station]) }}</p>
        <p v-if="docket.judging" class="soft" role="status">Being checked: your findings come in a moment.</p>
        <p v-if="message" class="word">{{ message.by }}: “{{ message.reason }}”</p>
      </section>
      <ErrorNote :error="refused" />
      <MyKit v-if="station === 'kit'" :docket="docket" />
      <MyPower v-else-if="station === 'power'" :docket="docket" />
      <MyMarks v-else-if="station === 'mark'" :docket="docket" />
      <MyWork v-else :key="`${docket.id}-${station}`" :docket="docket" :kind="station" />
      <nav class="steps" aria-label="Stations before and after">
        <button
          v-if="station !== 'kit'"
          class="btn quiet"
          @click="picked = STATIONS[STATIONS.indexOf(station) - 1]!"
        >
          ← {{ capital(STATIONS[STATIONS.indexOf(station) - 1]!) }}
        </button>
        <span />
        <button
          v-if="station !== 'mark'"
          class="btn quiet"
          @click="picked = STATIONS[STATIONS.indexOf(station) + 1]!"
        >
          {{ capital(STATIONS[STATIONS.indexOf(station) + 1]!) }} →
        </button>
      </nav>
    </template>
  </div>
</template>

<style scoped>
.page {
  max-width: 860px;
  margin: 0 auto;
  padding: 16px 18px 40px;
  display: grid;
  gap: 14px;
}
header {
  display: flex;
  gap: 14px;
  align-items: center;
}
.number {
  font-weight: 700;
  font-size: 44px;
  line-height: 1;
}
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
.off {
  background: var(--stop);
  color: var(--ground);
  border-radius: var(--radius);
  padding: 11px 16px;
}
.which {
  display: flex;
  gap: 10px;
  align-items: center;
}
.word {
  font-weight: 600;
  margin-top: 4px;
}
.steps {
  display: flex;
  justify-content: space-between;
}
@media (max-width: 500px) {
  .page {
    padding: 12px 12px 40px;
  }
}
</style>
