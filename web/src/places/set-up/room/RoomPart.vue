<script setup lang="ts">
// Rooms: drawn as a grid, benches taken out where there is an aisle or a gap.
import { NButton, NForm } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { ask, client } from '@/api/client'
import FormField from '@/pieces/fields/FormField.vue'
import NumberField from '@/pieces/fields/NumberField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import ChoiceBar from '@/pieces/controls/ChoiceBar.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { useAct } from '@/shared/act'
import { common } from '@texts/common'
import { roomPart as texts } from '@texts/set-up-sessions'
import PartHead from '../PartHead.vue'
import RoomGrid from './RoomGrid.vue'
import { type Course, STALE } from '../use-set-up'

const props = defineProps<{ course: Course }>()
const rooms = computed(() => props.course.rooms.filter((room) => !room.archived))
const shown = ref(rooms.value[0]?.id ?? 0)
const adding = ref(!rooms.value.length)
const room = computed(() => rooms.value.find((r) => r.id === shown.value) ?? rooms.value[0])
const name = ref('')
const rows = ref(3)
const columns = ref(4)
const { busy, error, run } = useAct(STALE)
watch(rooms, (now) => (adding.value = adding.value && now.length > 0 ? adding.value : !now.length))

async function make() {
  const body = { name: name.value, rows: Number(rows.value), columns: Number(columns.value) }
  const path = { course_id: props.course.id }
  const made = await run(() =>
    ask(client.POST('/api/set-up/courses/{course_id}/rooms', { params: { path }, body })),
  )
  if (!made) return
  shown.value = made.id
  adding.value = false
  name.value = ''
}
async function remove() {
  const path = { room_id: room.value!.id }
  await run(() => ask(client.DELETE('/api/set-up/rooms/{room_id}', { params: { path } })))
}
</script>

<template>
  <PartHead :title="common.room" :text="texts.help">
    <NButton v-if="rooms.length && !adding" type="primary" ghost @click="adding = true">
      {{ texts.anotherRoom }}
    </NButton>
  </PartHead>
  <NForm
    v-if="adding"
    class="make grid grid-cols-[minmax(0,1fr)_90px_150px_auto_auto] gap-3 items-end mb-2"
    @submit.prevent="make"
  >
    <FormField :label="texts.nameLabel"
      ><TextField v-model="name" :placeholder="texts.roomExample" maxlength="60"
    /></FormField>
    <FormField :label="texts.rows"><NumberField v-model="rows" :min="1" :max="20" /></FormField>
    <FormField :label="texts.rowLength"><NumberField v-model="columns" :min="1" :max="20" /></FormField>
    <NButton type="primary" attr-type="submit" :disabled="busy || !name.trim()">{{
      texts.drawTheRoom
    }}</NButton>
    <NButton v-if="rooms.length" type="primary" quaternary @click="adding = false">
      {{ common.cancel }}
    </NButton>
  </NForm>
  <ErrorNote :error="error" />
  <template v-if="room && !adding">
    <ChoiceBar
      v-if="rooms.length > 1"
      v-model="shown"
      :label="common.room"
      :choices="rooms.map((r) => ({ value: r.id, word: r.name }))"
    />
    <RoomGrid :key="room.id" :room="room" @remove="remove" />
  </template>
</template>

<style scoped>
@media (max-width: 760px) {
  .make {
    grid-template-columns: 1fr 1fr;
  }
  .make .form-field:first-child {
    grid-column: 1 / -1;
  }
}
</style>
