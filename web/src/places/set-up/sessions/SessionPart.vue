<script setup lang="ts">
// Sessions: planned by hand or week by week, each with its room and its exercises; one of them opened to seat the pairs.
import { NButton, NTable } from 'naive-ui'
import { ref } from 'vue'
import Asked from '@/pieces/states/Asked.vue'
import EmptyNote from '@/pieces/states/EmptyNote.vue'
import { usePlannedSessions } from '@/queries/set-up'
import { LANGUAGE } from '@texts/language'
import { common } from '@texts/common'
import { sessions as sessionStates } from '@texts/words'
import { sessionPart as texts } from '@texts/set-up-sessions'
import PartHead from '../PartHead.vue'
import PlanSessions from './PlanSessions.vue'
import SessionPlan from './SessionPlan.vue'
import { type Course, useSetUp } from '../use-set-up'

defineProps<{ course: Course }>()
const { id } = useSetUp()
const sessions = usePlannedSessions(id)
const planning = ref(false)
const open = ref<number | null>(null)
const said = ref('')
const day = (iso: string) =>
  new Date(`${iso}T12:00:00Z`).toLocaleDateString(LANGUAGE, {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    timeZone: 'UTC',
  })
function planned(word: string) {
  said.value = word
  planning.value = false
}
</script>

<template>
  <SessionPlan v-if="open !== null" :session="open" :course="course" @close="open = null" />
  <template v-else>
    <PartHead :title="texts.session" :text="texts.labDays">
      <NButton v-if="!planning" type="primary" @click="planning = true">{{ texts.planSessions }}</NButton>
    </PartHead>
    <PlanSessions v-if="planning" :course="course" @done="planned" @leave="planning = false" />
    <p class="min-h-5.5 text-good" role="status">{{ said }}</p>
    <Asked v-slot="{ data }" shape="table" :query="sessions" :what="texts.subject">
      <EmptyNote v-if="!data.length && !planning" :title="texts.none" :text="texts.noneHint">
        <NButton type="primary" @click="planning = true">{{ texts.planSessions }}</NButton>
      </EmptyNote>
      <div v-else-if="data.length" class="wrap">
        <NTable :bordered="false" size="small">
          <caption class="visually-hidden">
            {{
              texts.sessions
            }}
          </caption>
          <thead>
            <tr>
              <th>{{ common.day }}</th>
              <th>{{ texts.time }}</th>
              <th>{{ texts.sectionRoom }}</th>
              <th>{{ common.exercises }}</th>
              <th>
                <span class="visually-hidden">{{ common.state }}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="session in data" :key="session.id" :class="{ over: session.state === 'over' }">
              <td>
                <NButton text class="link" @click="open = session.id">{{ day(session.day) }}</NButton>
              </td>
              <td class="whitespace-nowrap">
                {{ texts.beginsToEnds(session.begins.slice(0, 5), session.ends.slice(0, 5)) }}
              </td>
              <td>{{ session.section_name }}, {{ session.room_name }}</td>
              <td>
                {{ session.exercises.map((e) => e.title).join(', ') }}
                <span v-if="!session.exercises.length" class="text-fix">{{ texts.noneYet }}</span>
              </td>
              <td class="state" :class="session.state">
                {{ session.state === 'to come' ? '' : sessionStates[session.state] }}
              </td>
            </tr>
          </tbody>
        </NTable>
      </div>
    </Asked>
  </template>
</template>

<style scoped>
.link {
  color: var(--act);
  text-decoration: underline;
  font-weight: 600;
}
.link {
  white-space: nowrap;
}
.over td {
  color: var(--soft);
}
.state.running {
  color: var(--good);
  font-weight: 620;
}
.state.paused {
  color: var(--fix);
  font-weight: 620;
}
</style>
