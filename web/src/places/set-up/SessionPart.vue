<script setup lang="ts">
// Sessions: planned by hand or week by week, each with its room and its exercises; one of them opened to seat the pairs.
import { ref } from 'vue'
import Asked from '@/pieces/Asked.vue'
import EmptyNote from '@/pieces/EmptyNote.vue'
import { usePlannedSessions } from '@/queries/set-up'
import { LANGUAGE } from '@/shared/language'
import PartHead from './PartHead.vue'
import PlanSessions from './PlanSessions.vue'
import SessionPlan from './SessionPlan.vue'
import { type Course, useSetUp } from './use-set-up'

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
    <PartHead title="Session" text="Lab days: when, where, and which exercises run side by side.">
      <button v-if="!planning" class="btn" @click="planning = true">Plan sessions</button>
    </PartHead>
    <PlanSessions v-if="planning" :course="course" @done="planned" @leave="planning = false" />
    <p class="word" role="status">{{ said }}</p>
    <Asked v-slot="{ data }" :query="sessions" what="the sessions">
      <EmptyNote
        v-if="!data.length && !planning"
        title="No session is planned"
        text="One day by hand, or every week of the term with the holidays left out."
      >
        <button class="btn" @click="planning = true">Plan sessions</button>
      </EmptyNote>
      <div v-else-if="data.length" class="wrap">
        <table class="plain">
          <caption class="visually-hidden">
            Sessions
          </caption>
          <thead>
            <tr>
              <th>Day</th>
              <th>Time</th>
              <th>Section, room</th>
              <th>Exercises</th>
              <th><span class="visually-hidden">State</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="session in data" :key="session.id" :class="{ over: session.state === 'over' }">
              <td>
                <button class="plain link" @click="open = session.id">{{ day(session.day) }}</button>
              </td>
              <td class="time">{{ session.begins.slice(0, 5) }} to {{ session.ends.slice(0, 5) }}</td>
              <td>{{ session.section_name }}, {{ session.room_name }}</td>
              <td>
                {{ session.exercises.map((e) => e.title).join(', ') }}
                <span v-if="!session.exercises.length" class="none">none yet</span>
              </td>
              <td class="state" :class="session.state">
                {{ session.state === 'to come' ? '' : session.state }}
              </td>
            </tr>
          </tbody>
        </table>
      </div>
    </Asked>
  </template>
</template>

<style scoped>
.word {
  min-height: 22px;
  color: var(--good);
}
.link {
  color: var(--act);
  text-decoration: underline;
  font-weight: 600;
}
.time {
  white-space: nowrap;
}
.over td {
  color: var(--soft);
}
.none {
  color: var(--fix);
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
