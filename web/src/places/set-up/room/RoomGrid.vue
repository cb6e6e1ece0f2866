<script setup lang="ts">
// A room's grid: a press takes a bench out or puts one in, the number in it is typed over. Saved with one button.
import { NButton, NFlex } from 'naive-ui'
import { computed, ref } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import FormField from '@/pieces/fields/FormField.vue'
import NumberField from '@/pieces/fields/NumberField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { useAct } from '@/shared/act'
import { common } from '@texts/common'
import { roomGrid as texts } from '@texts/set-up-sessions'
import { STALE } from '../use-set-up'

const props = defineProps<{ room: Schemas['RoomOut'] }>()
const emit = defineEmits<{ remove: [] }>()
const name = ref(props.room.name)
const benches = ref(props.room.benches.map((bench) => ({ ...bench })))
const size = (of: 'row' | 'column') => Math.max(...benches.value.map((b) => b[of]), 0) + 1
const rows = ref(size('row'))
const columns = ref(Math.max(size('column'), props.room.columns))
const { busy, error, said, run } = useAct(STALE)
const at = (row: number, column: number) => benches.value.find((b) => b.row === row && b.column === column)
const changed = computed(
  () =>
    name.value !== props.room.name ||
    columns.value !== props.room.columns ||
    JSON.stringify(benches.value) !== JSON.stringify(props.room.benches),
)
const wrong = computed(() => {
  const numbers = benches.value.map((b) => b.number)
  if (numbers.some((n) => !Number.isInteger(n) || n < 1 || n > 999)) return texts.numberRange
  const twice = numbers.find((n, place) => numbers.indexOf(n) !== place)
  return twice === undefined ? '' : texts.numberTwice(twice)
})

function turn(row: number, column: number) {
  const bench = at(row, column)
  if (bench) benches.value = benches.value.filter((b) => b !== bench)
  else benches.value = [...benches.value, { number: free(), row, column, name: '' }]
}
function free() {
  const taken = new Set(benches.value.map((b) => b.number))
  let number = 1
  while (taken.has(number)) number++
  return number
}
/** Numbers along the rows anew, gaps left out. */
function renumber() {
  const sorted = [...benches.value].sort((a, b) => a.row - b.row || a.column - b.column)
  sorted.forEach((bench, place) => (bench.number = place + 1))
}
function grow(way: 'row' | 'column', by: number) {
  if (way === 'row') rows.value = Math.min(20, Math.max(1, rows.value + by))
  else columns.value = Math.min(20, Math.max(1, columns.value + by))
  benches.value = benches.value.filter((b) => b.row < rows.value && b.column < columns.value)
}
async function save() {
  const body = { name: name.value, columns: columns.value, benches: benches.value }
  const path = { room_id: props.room.id }
  await run(() => ask(client.PUT('/api/set-up/rooms/{room_id}', { params: { path }, body })))
}
</script>

<template>
  <NFlex vertical class="room">
    <FormField class="name max-w-80" :label="common.name"
      ><TextField v-model="name" maxlength="60"
    /></FormField>
    <p class="soft">
      {{ texts.help(benches.length) }}
    </p>
    <div
      class="grid gap-2 overflow-x-auto p-3 bg-ground rounded-lg"
      :style="{ gridTemplateColumns: `repeat(${columns}, minmax(64px, 1fr))` }"
    >
      <template v-for="row in rows" :key="row">
        <span
          v-for="column in columns"
          :key="column"
          class="place relative min-h-18.5 content-center grid rounded-[6px]"
          :class="{ bench: at(row - 1, column - 1) }"
        >
          <template v-if="at(row - 1, column - 1)">
            <NumberField
              v-model="at(row - 1, column - 1)!.number"
              :min="1"
              :max="999"
              bare
              :aria-label="texts.numberLabel(row, column)"
            />
            <TextField
              v-model="at(row - 1, column - 1)!.name"
              class="called"
              bare
              maxlength="20"
              :placeholder="texts.name"
              :aria-label="texts.nameOfBench(at(row - 1, column - 1)!.number)"
            />
            <NButton
              text
              :aria-label="texts.takeBenchOut(at(row - 1, column - 1)!.number)"
              @click="turn(row - 1, column - 1)"
            >
              <svg viewBox="0 0 12 12" width="11" height="11" aria-hidden="true"><path d="M2 6h8" /></svg>
            </NButton>
          </template>
          <NButton
            v-else
            text
            class="empty"
            :aria-label="texts.addBench(row, column)"
            @click="turn(row - 1, column - 1)"
          >
            <svg viewBox="0 0 12 12" width="12" height="12" aria-hidden="true"><path d="M6 2v8M2 6h8" /></svg>
          </NButton>
        </span>
      </template>
    </div>
    <p class="soft text-center text-sm border-t-3 border-t-copper pt-1 mx-[18%]">
      {{ texts.front }}
    </p>
    <NFlex align="center" size="small" class="acts">
      <NButton type="primary" quaternary @click="grow('row', 1)">{{ texts.addRow }}</NButton>
      <NButton type="primary" quaternary @click="grow('row', -1)">{{ texts.removeRow }}</NButton>
      <NButton type="primary" quaternary @click="grow('column', 1)">{{ texts.addColumn }}</NButton>
      <NButton type="primary" quaternary @click="grow('column', -1)">{{ texts.removeColumn }}</NButton>
      <NButton type="primary" quaternary @click="renumber">{{ texts.numberAnew }}</NButton>
    </NFlex>
    <p v-if="wrong" class="wrong text-fix">{{ wrong }}</p>
    <ErrorNote :error="error" />
    <NFlex align="center" size="small" class="acts">
      <NButton type="primary" :disabled="busy || !changed || !!wrong || !benches.length" @click="save">
        {{ texts.saveTheRoom }}
      </NButton>
      <NButton type="primary" quaternary :disabled="busy" @click="emit('remove')">{{
        texts.removeTheRoom
      }}</NButton>
      <span class="text-good" role="status">{{ said }}</span>
    </NFlex>
  </NFlex>
</template>

<style scoped>
.place.bench {
  background: var(--sheet);
  border: 1px solid var(--pad);
}
.place :deep(input) {
  font: 600 21px var(--text);
  text-align: center;
}
.place .called :deep(input) {
  font: 12.5px var(--text);
}
.place .n-button {
  position: absolute;
  top: 0;
  right: 0;
  width: 26px;
  height: 26px;
  color: var(--faint);
}
.place .empty {
  position: static;
  width: 100%;
  min-height: 74px;
  border: 1px dashed var(--line);
  border-radius: 6px;
}
path {
  stroke: currentColor;
  stroke-width: 1.6;
  stroke-linecap: round;
}
</style>
