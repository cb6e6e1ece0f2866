<script setup lang="ts">
// Day, time, room, exercises and the rule for late hand-ins of one session; saved together.
import { NButton, NCheckbox, NCheckboxGroup, NFlex, NForm } from 'naive-ui'
import { computed, reactive, watch } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import ChoiceField from '@/pieces/fields/ChoiceField.vue'
import DateField from '@/pieces/fields/DateField.vue'
import FormField from '@/pieces/fields/FormField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import TimeField from '@/pieces/fields/TimeField.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { useAct } from '@/shared/act'
import { common } from '@texts/common'
import { sessionFields as texts } from '@texts/set-up-sessions'
import { type Course, STALE } from '../use-set-up'

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
  <NForm class="fields grid grid-cols-5 gap-3 py-3.5 px-4 bg-ground rounded-lg" @submit.prevent="save">
    <FormField :label="common.room"
      ><ChoiceField
        v-model="form.room"
        :options="course.rooms.map((room) => ({ value: room.id, label: room.name }))"
    /></FormField>
    <FormField :label="common.day"><DateField v-model="form.day" required /></FormField>
    <FormField :label="common.from"><TimeField v-model="form.begins" required /></FormField>
    <FormField :label="texts.until"><TimeField v-model="form.ends" required /></FormField>
    <FormField :label="texts.lateLabel"
      ><TextField v-model="form.late" inputmode="numeric" :placeholder="texts.noLimit" figures />
      <span v-if="wrongLate" class="wrong text-fix text-sm">{{ texts.lateHint }}</span></FormField
    >
    <FormField class="col-span-full" :label="common.exercises">
      <NCheckboxGroup v-model:value="form.exercises" class="ticks">
        <NCheckbox v-for="one in ready" :key="one.id" :value="one.id">{{ one.title }}</NCheckbox>
      </NCheckboxGroup>
    </FormField>
    <FormField class="col-span-full" :label="texts.staff">
      <NCheckboxGroup v-model:value="form.staff" class="ticks">
        <NCheckbox v-for="one in staff" :key="one.user" :value="one.user">{{ one.name }}</NCheckbox>
      </NCheckboxGroup>
    </FormField>
    <ErrorNote :error="error" />
    <NFlex v-if="changed || said" :wrap="false" align="center" size="small" class="acts col-span-full">
      <NButton type="primary" attr-type="submit" :disabled="busy || !changed || wrongLate">{{
        texts.saveTheSession
      }}</NButton>
      <span class="text-good" role="status">{{ said }}</span>
    </NFlex>
  </NForm>
</template>

<style scoped>
.fields > :deep(.error) {
  grid-column: 1 / -1;
}
.ticks {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
}
@media (max-width: 760px) {
  .fields {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
