<script setup lang="ts">
// One session: its time and exercises, who sits where and does what, the code on the wall, and what is done with it today.
import { NButton, NCheckbox, NFlex, NTable } from 'naive-ui'
import { computed, ref } from 'vue'
import { ask, client } from '@/api/client'
import Asked from '@/pieces/states/Asked.vue'
import Dialog from '@/pieces/dialog/Dialog.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { useSessionPlan } from '@/queries/set-up'
import { useAct } from '@/shared/act'
import { useWork } from '@/pieces/work/use-work'
import WorkNote from '@/pieces/work/WorkNote.vue'
import { common } from '@texts/common'
import { sessions as sessionStates } from '@texts/words'
import { sessionPlan as texts } from '@texts/set-up-sessions'
import JoinCode from './JoinCode.vue'
import PlaceRow from './PlaceRow.vue'
import SessionFields from './SessionFields.vue'
import { type Course, STALE } from '../use-set-up'

const props = defineProps<{ session: number; course: Course }>()
const emit = defineEmits<{ close: [] }>()
const id = computed(() => props.session)
const plan = useSessionPlan(id)
const { busy, error, said, run } = useAct(STALE)
const path = computed(() => ({ session_id: props.session }))
const showing = ref(false)
type Act = 'start' | 'pause' | 'resume' | 'end'
const ACTS: Record<string, [Act, string][]> = {
  'to come': [['start', texts.startItNow]],
  running: [
    ['pause', texts.pause],
    ['end', texts.endEarly],
  ],
  paused: [['resume', texts.goOn]],
  over: [['start', texts.startItAgain]],
}

function control(act: Act) {
  void run(() =>
    ask(
      client.POST('/api/set-up/sessions/{session_id}/control', {
        params: { path: path.value },
        body: { act },
      }),
    ),
  )
}
async function remove() {
  if (
    await run(() => ask(client.DELETE('/api/set-up/sessions/{session_id}', { params: { path: path.value } })))
  )
    emit('close')
}
function seat(pair: number, bench: number | null) {
  const body = { benches: { [pair]: bench } }
  void run(() =>
    ask(client.POST('/api/set-up/sessions/{session_id}/seats', { params: { path: path.value }, body })),
  )
}
function assign(pair: number, exercise: number | null) {
  const body = { exercises: { [pair]: exercise } }
  void run(() =>
    ask(client.POST('/api/set-up/sessions/{session_id}/assign', { params: { path: path.value }, body })),
  )
}
function absent(user: number, away: boolean) {
  const body = { user, absent: away }
  void run(() =>
    ask(client.POST('/api/set-up/sessions/{session_id}/absent', { params: { path: path.value }, body })),
  )
}
function join(user: number, pair: number) {
  if (!pair) return
  const body = { user, pair }
  void run(() =>
    ask(client.POST('/api/set-up/sessions/{session_id}/join', { params: { path: path.value }, body })),
  )
}
/** The exercises in turn along the benches, so that neighbours do different ones. */
function deal() {
  const data = plan.data.value
  if (!data?.session.exercises.length) return
  const free = data.places.filter((p) => p.docket === null)
  const body = {
    exercises: Object.fromEntries(
      free.map((place, index) => [
        place.pair,
        data.session.exercises[index % data.session.exercises.length]!.id,
      ]),
    ),
  }
  void run(() =>
    ask(client.POST('/api/set-up/sessions/{session_id}/assign', { params: { path: path.value }, body })),
  )
}
const short = computed(() => {
  const data = plan.data.value
  return (data?.session.exercises ?? [])
    .map((e) => ({
      ...e,
      wanted: data!.places.filter((p) => p.exercise === e.id && !p.docket).length,
      ready: data!.kits[e.id] ?? 0,
    }))
    .filter((e) => e.wanted > e.ready)
})
const printing = useWork()
const asking = ref(false)
const slips = ref(false)
async function papers() {
  asking.value = false
  const call = () =>
    client.POST('/api/set-up/sessions/{session_id}/papers', {
      params: { path: path.value },
      body: { slips: slips.value },
    })
  await printing.begin(() => ask(call()))
}
</script>

<template>
  <p>
    <NButton type="primary" quaternary @click="emit('close')">{{ texts.allSessions }}</NButton>
  </p>
  <Asked v-slot="{ data }" :query="plan" :what="texts.subject">
    <NFlex align="center" class="head mb-3">
      <h2>{{ data.session.section_name }}, {{ data.session.room_name }}</h2>
      <span class="state text-soft" :class="data.session.state">{{ sessionStates[data.session.state] }}</span>
      <span class="acts flex flex-wrap gap-2 ml-auto">
        <NButton
          v-for="[act, word] in ACTS[data.session.state]"
          :key="act"
          type="primary"
          ghost
          :disabled="busy"
          @click="control(act)"
        >
          {{ word }}
        </NButton>
        <NButton type="primary" ghost :disabled="busy" @click="asking = true">{{
          texts.printThePapers
        }}</NButton>
        <NButton type="primary" ghost @click="showing = true">{{ texts.wallCode }}</NButton>
      </span>
    </NFlex>
    <WorkNote
      v-if="printing.work.value"
      class="work mb-3"
      :work="printing.work.value"
      :is-going="printing.isGoing.value"
      :doing="texts.papersRunning"
      @cancel="printing.cancel"
    />
    <ErrorNote :error="printing.refused.value" />
    <SessionFields :key="data.session.id" :session="data.session" :course="course" />
    <ErrorNote :error="error" />
    <p v-for="one in short" :key="one.id" class="text-fix font-semibold">
      {{ texts.pairsReady(one.title, one.wanted, one.ready) }}
      <RouterLink to="/set-up/kits">{{ texts.makeMore }}</RouterLink>
    </p>
    <NFlex align="center" class="mt-4.5 mb-1">
      <h3>{{ texts.seatsAndExercises }}</h3>
      <span class="soft">{{ texts.seatHelp }}</span>
      <NButton
        v-if="data.session.exercises.length > 1 && data.places.length"
        type="primary"
        ghost
        :disabled="busy"
        @click="deal"
      >
        {{ texts.dealTheExercises }}
      </NButton>
      <span class="good" role="status">{{ said }}</span>
    </NFlex>
    <div class="wrap">
      <NTable :bordered="false" size="small" class="middle">
        <caption class="visually-hidden">
          {{
            texts.pairsLabel
          }}
        </caption>
        <thead>
          <tr>
            <th>{{ common.bench }}</th>
            <th>{{ common.pair }}</th>
            <th>{{ common.exercise }}</th>
            <th>{{ texts.absentToday }}</th>
          </tr>
        </thead>
        <tbody>
          <PlaceRow
            v-for="place in data.places"
            :key="place.pair"
            :place="place"
            :exercises="data.session.exercises"
            :others="data.places.filter((p) => p.pair !== place.pair)"
            :busy="busy"
            :refused="error"
            @seat="seat(place.pair, $event)"
            @assign="assign(place.pair, $event)"
            @absent="absent"
            @join="join"
          />
        </tbody>
      </NTable>
    </div>
    <p v-if="!data.places.length" class="soft">
      {{ texts.noPairs }} <RouterLink to="/set-up/pairs">{{ texts.makeThem }}</RouterLink>
    </p>
    <p v-if="!data.session.kits_out && data.session.state === 'to come'" class="mt-3.5">
      <NButton type="primary" quaternary :disabled="busy" @click="remove">{{
        texts.removeThisSession
      }}</NButton>
    </p>
    <Dialog v-model:show="asking" :title="texts.papersHeading" width="480px">
      <p class="soft">
        {{ texts.papersHelp }}
      </p>
      <NCheckbox v-model:checked="slips">{{ texts.slipsOption }}</NCheckbox>
      <p>
        <NButton type="primary" :disabled="busy" @click="papers">{{ texts.print }}</NButton>
      </p>
    </Dialog>
    <JoinCode v-model:show="showing" :session="data.session" />
  </Asked>
</template>

<style scoped>
.state.running {
  color: var(--good);
  font-weight: 620;
}
.state.paused {
  color: var(--fix);
  font-weight: 600;
}
.good {
  color: var(--good);
}
.slips {
  display: flex;
  gap: 8px;
  align-items: baseline;
}
</style>
