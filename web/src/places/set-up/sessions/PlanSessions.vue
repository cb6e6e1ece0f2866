<script setup lang="ts">
// A new session, or a weekly row of them with the course's holidays left out.
import { NButton, NCheckbox, NCheckboxGroup, NFlex, NForm } from 'naive-ui'
import { computed, ref } from 'vue'
import { ask, client } from '@/api/client'
import ChoiceField from '@/pieces/fields/ChoiceField.vue'
import DateField from '@/pieces/fields/DateField.vue'
import FormField from '@/pieces/fields/FormField.vue'
import TimeField from '@/pieces/fields/TimeField.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { useAct } from '@/shared/act'
import { common } from '@texts/common'
import { planSessions as texts } from '@texts/set-up-sessions'
import { type Course, STALE, useSetUp } from '../use-set-up'

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
const missing = computed(() => (!rooms.value.length ? texts.roomMissing : ''))

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
  <NForm
    class="plan grid grid-cols-[1.5fr_repeat(3,minmax(0,1fr))] gap-3.5 items-start p-4 mb-3 bg-ground rounded-lg"
    @submit.prevent="plan"
  >
    <FormField v-if="own.length > 1" class="col-span-full" :label="texts.section"
      ><ChoiceField
        v-model="sectionId"
        :options="own.map((section) => ({ value: section.id, label: section.name }))"
    /></FormField>
    <FormField :label="common.room"
      ><ChoiceField
        v-model="room"
        :options="
          rooms.map((one) => ({ value: one.id, label: texts.benches(one.name, one.benches.length) }))
        "
    /></FormField>
    <FormField :label="common.day"><DateField v-model="first" required /></FormField>
    <FormField :label="common.from"><TimeField v-model="begins" required /></FormField>
    <FormField :label="texts.until"><TimeField v-model="ends" required /></FormField>
    <div class="weekly col-span-full flex gap-2.5 items-center">
      <NCheckbox v-model:checked="weekly">{{ texts.everyWeekUntil }}</NCheckbox>
      <DateField v-model="until" :disabled="!weekly" :aria-label="texts.lastDay" :required="weekly" />
      <span v-if="weekly && course.holidays.length" class="soft">{{
        texts.holidaysAreLeft(course.holidays.length)
      }}</span>
    </div>
    <FormField class="col-span-full" :label="texts.exercisesThatRun">
      <NCheckboxGroup v-model:value="exercises" class="ticks">
        <NCheckbox v-for="one in ready" :key="one.id" :value="one.id">
          {{ one.title }} <span class="soft">{{ texts.ready(one.ready_kits) }}</span>
        </NCheckbox>
      </NCheckboxGroup>
      <p v-if="!ready.length" class="soft">{{ texts.noExercises }}</p>
    </FormField>
    <p v-if="missing" class="col-span-full text-fix">
      {{ missing }} <RouterLink to="/set-up/room">{{ texts.drawIt }}</RouterLink>
    </p>
    <ErrorNote :error="error" />
    <NFlex :wrap="false" size="small" class="acts col-span-full">
      <NButton type="primary" attr-type="submit" :disabled="busy || !!missing">
        {{ texts.plan(weekly) }}
      </NButton>
      <NButton type="primary" quaternary @click="emit('leave')">{{ common.cancel }}</NButton>
    </NFlex>
  </NForm>
</template>

<style scoped>
.plan > :deep(.error) {
  grid-column: 1 / -1;
}
.weekly .n-date-picker {
  width: 170px;
}
.ticks {
  border: 0;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px 20px;
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
