<script setup lang="ts">
// A new session, or a weekly row of them with the course's holidays left out.
import { computed, ref } from 'vue'
import { ask, client } from '@/api/client'
import ErrorNote from '@/pieces/ErrorNote.vue'
import { useAct } from '@/shared/act'
import { common } from '@texts/common'
import { planSessions as texts } from '@texts/set-up-sessions'
import { type Course, STALE, useSetUp } from './use-set-up'

const props = defineProps<{ course: Course }>()
const emit = defineEmits<{ done: [said: string]; leave: [] }>()
const { own, sectionId } = useSetUp()
const rooms = computed(() => props.course.rooms.filter((r) => !r.archived && r.benches.length))
const ready = computed(() => props.course.exercises.filter((e) => e.released))
const room = ref(rooms.value[0]?.id ?? 0)
const first = ref(new Date().toISOString().slice(0, 10))
const begins = ref('10:00')
const ends = ref('12:00')
const weekly = ref(false)
const until = ref(props.course.ends_on ?? '')
const exercises = ref<number[]>(ready.value.length === 1 ? [ready.value[0]!.id] : [])
const { busy, error, run } = useAct(STALE)
const missing = computed(() => (!rooms.value.length ? texts.aSessionNeedsARoom : ''))

async function plan() {
  const body = {
    room: room.value,
    first: first.value,
    begins: begins.value,
    ends: ends.value,
    until: weekly.value && until.value ? until.value : null,
    exercises: exercises.value,
  }
  const path = { section_id: sectionId.value ?? 0 }
  const done = await run(() =>
    ask(client.POST('/api/set-up/sections/{section_id}/sessions', { params: { path }, body })),
  )
  if (done) emit('done', done.message)
}
</script>

<template>
  <form class="plan" @submit.prevent="plan">
    <label v-if="own.length > 1" class="long">
      <span class="field-label">{{ texts.section }}</span>
      <select v-model="sectionId" class="field">
        <option v-for="section in own" :key="section.id" :value="section.id">{{ section.name }}</option>
      </select>
    </label>
    <label>
      <span class="field-label">{{ common.room }}</span>
      <select v-model="room" class="field">
        <option v-for="one in rooms" :key="one.id" :value="one.id">
          {{ texts.benches(one.name, one.benches.length) }}
        </option>
      </select>
    </label>
    <label
      ><span class="field-label">{{ common.day }}</span
      ><input v-model="first" class="field" type="date" required
    /></label>
    <label
      ><span class="field-label">{{ common.from }}</span
      ><input v-model="begins" class="field" type="time" required
    /></label>
    <label
      ><span class="field-label">{{ texts.to }}</span
      ><input v-model="ends" class="field" type="time" required
    /></label>
    <div class="weekly">
      <label class="tick"><input v-model="weekly" type="checkbox" /> {{ texts.everyWeekUntil }}</label>
      <input
        v-model="until"
        class="field"
        type="date"
        :disabled="!weekly"
        :aria-label="texts.lastDay"
        :required="weekly"
      />
      <span v-if="weekly && course.holidays.length" class="soft">{{
        texts.holidaysAreLeft(course.holidays.length)
      }}</span>
    </div>
    <fieldset>
      <legend class="field-label">{{ texts.exercisesThatRun }}</legend>
      <label v-for="one in ready" :key="one.id" class="tick">
        <input v-model="exercises" type="checkbox" :value="one.id" /> {{ one.title }}
        <span class="soft">{{ texts.ready(one.ready_kits) }}</span>
      </label>
      <p v-if="!ready.length" class="soft">{{ texts.noneCanBeHanded }}</p>
    </fieldset>
    <p v-if="missing" class="missing">
      {{ missing }} <RouterLink to="/set-up/room">{{ texts.drawIt }}</RouterLink>
    </p>
    <ErrorNote :error="error" />
    <p class="acts">
      <button class="btn" :disabled="busy || !!missing">
        {{ texts.plan(weekly) }}
      </button>
      <button type="button" class="btn quiet" @click="emit('leave')">{{ common.cancel }}</button>
    </p>
  </form>
</template>

<style scoped>
.plan {
  display: grid;
  grid-template-columns: 1.5fr repeat(3, minmax(0, 1fr));
  gap: 14px;
  align-items: start;
  padding: 16px;
  margin-bottom: 12px;
  background: var(--ground);
  border-radius: 8px;
}
.long,
.weekly,
fieldset,
.missing,
.acts,
.plan > :deep(.error) {
  grid-column: 1 / -1;
}
.weekly {
  display: flex;
  gap: 10px;
  align-items: center;
}
.weekly .field {
  width: 170px;
}
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px 20px;
}
legend {
  font-weight: 600;
  font-size: 14px;
}
.tick {
  display: inline-flex;
  gap: 7px;
  align-items: baseline;
  min-height: 26px;
}
.missing {
  color: var(--fix);
}
.acts {
  display: flex;
  gap: 8px;
}
@media (max-width: 760px) {
  .plan {
    grid-template-columns: 1fr 1fr;
  }
  fieldset {
    grid-template-columns: 1fr;
  }
}
</style>
