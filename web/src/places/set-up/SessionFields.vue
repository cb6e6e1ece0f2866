<script setup lang="ts">
// Day, time, room, exercises and the rule for late hand-ins of one session; saved together.
import { computed, reactive, watch } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import ErrorNote from '@/pieces/ErrorNote.vue'
import { useAct } from '@/shared/act'
import { common } from '@texts/common'
import { sessionFields as texts } from '@texts/set-up-sessions'
import { type Course, STALE } from './use-set-up'

const props = defineProps<{ session: Schemas['SessionRowOut']; course: Course }>()
const ready = computed(() => props.course.exercises.filter((e) => e.released))
const staff = computed(() => props.course.sections.find((s) => s.id === props.session.section)?.staff ?? [])
const asIs = () => ({
  room: props.session.room,
  day: props.session.day,
  begins: props.session.begins.slice(0, 5),
  ends: props.session.ends.slice(0, 5),
  exercises: props.session.exercises.map((e) => e.id),
  late: props.session.late_minutes === null ? '' : String(props.session.late_minutes),
  staff: [...props.session.staff],
})
const form = reactive(asIs())
const wrongLate = computed(() => !/^\s*\d{0,5}\s*$/.test(form.late))
const changed = computed(() => JSON.stringify(form) !== JSON.stringify(asIs()))
const { busy, error, said, run } = useAct(STALE)
// What others changed meanwhile is shown, unless something was typed here.
watch(asIs, (now, before) => {
  if (JSON.stringify(form) === JSON.stringify(before)) Object.assign(form, now)
})

function save() {
  const { late, ...rest } = form
  const body = { ...rest, late_minutes: late.trim() === '' ? null : Number(late) }
  const path = { session_id: props.session.id }
  void run(() => ask(client.PUT('/api/set-up/sessions/{session_id}', { params: { path }, body })))
}
</script>

<template>
  <form class="fields" @submit.prevent="save">
    <label>
      <span class="field-label">{{ common.room }}</span>
      <select v-model="form.room" class="field">
        <option v-for="room in course.rooms" :key="room.id" :value="room.id">{{ room.name }}</option>
      </select>
    </label>
    <label
      ><span class="field-label">{{ common.day }}</span
      ><input v-model="form.day" class="field" type="date" required
    /></label>
    <label
      ><span class="field-label">{{ common.from }}</span
      ><input v-model="form.begins" class="field" type="time" required
    /></label>
    <label
      ><span class="field-label">{{ texts.to }}</span
      ><input v-model="form.ends" class="field" type="time" required
    /></label>
    <label>
      <span class="field-label">{{ texts.lateHandInMinutes }}</span>
      <input v-model="form.late" class="field v" inputmode="numeric" :placeholder="texts.noLimit" />
      <span v-if="wrongLate" class="wrong">{{ texts.wholeMinutesOrNothing }}</span>
    </label>
    <fieldset>
      <legend>{{ common.exercises }}</legend>
      <label v-for="one in ready" :key="one.id" class="tick">
        <input v-model="form.exercises" type="checkbox" :value="one.id" /> {{ one.title }}
      </label>
    </fieldset>
    <fieldset>
      <legend>{{ texts.staff }}</legend>
      <label v-for="one in staff" :key="one.user" class="tick">
        <input v-model="form.staff" type="checkbox" :value="one.user" /> {{ one.name }}
      </label>
    </fieldset>
    <ErrorNote :error="error" />
    <p v-if="changed || said" class="acts">
      <button class="btn" :disabled="busy || !changed || wrongLate">{{ texts.saveTheSession }}</button>
      <span class="good" role="status">{{ said }}</span>
    </p>
  </form>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(5, minmax(0, 1fr));
  gap: 12px;
  padding: 14px 16px;
  background: var(--ground);
  border-radius: 8px;
}
fieldset,
.acts,
.fields > :deep(.error) {
  grid-column: 1 / -1;
}
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
}
legend {
  font-weight: 600;
  font-size: 14px;
}
.tick {
  display: inline-flex;
  gap: 6px;
  align-items: baseline;
  min-height: 26px;
}
.acts {
  display: flex;
  gap: 10px;
  align-items: center;
}
.wrong {
  color: var(--fix);
  font-size: 13.5px;
}
.good {
  color: var(--good);
}
@media (max-width: 760px) {
  .fields {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
