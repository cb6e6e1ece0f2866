<script setup lang="ts">
// The keyboard-first table of leads: each row is a line of the bench notation and edits it in place; the line
// under it takes new ones in a few letters.
import { NButton, NFlex } from 'naive-ui'
import { useRefHistory } from '@vueuse/core'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import Asked from '@/pieces/states/Asked.vue'
import { useNames } from '@/queries/names'
import { common } from '@texts/common'
import { leadTable as texts } from '@texts/hand-in'
import EntryLine from './entry/EntryLine.vue'
import type { RecipePart } from './entry/words'
import { copied, movedPlaces, nextRef, readLine, type Row, swapped, writeLine } from './lines'

const props = defineProps<{ board: string; recipe: RecipePart[]; marks: Record<string, unknown>[] }>()
const emit = defineEmits<{ submit: [] }>()
const text = defineModel<string>({ required: true })
const box = useTemplateRef<HTMLElement>('box')
const body = useTemplateRef<HTMLElement>('body')
const entry = useTemplateRef<{ focus: () => void }>('entry')
const { undo, canUndo } = useRefHistory(text, { capacity: 200 })
watch(entry, (line) => line?.focus())

const rows = computed(() => text.value.replace(/\n$/, '').split('\n').map(readLine))
const shown = computed(() =>
  rows.value
    .map((row, index) => ({ row, index }))
    .filter(({ row }) => row.kind !== 'other' || row.raw.trim()),
)
const wrong = computed(() => new Map(props.marks.map((m) => [Number(m.line) - 1, String(m.message)])))

const vocabulary = useNames()
const names = vocabulary.data
const pins = computed(() => (names.value?.pins[props.board] ?? []).map((pin) => `B1.${pin}`))
const types = computed(() => names.value?.parts ?? [])
const words = computed(() => ({
  pins: names.value?.pins[props.board] ?? [],
  parts: types.value,
  bandCodes: names.value?.band_codes ?? {},
  wireColours: names.value?.wire_colours ?? [],
  recipe: props.recipe,
}))
const EXAMPLES: Record<string, string> = {
  resistor: 'bands=orange-orange-brown-gold measured=327',
  led: 'colour=red',
}
function placesOf(type: string): string {
  const legs = types.value.find((t) => t.id === type)?.legs
  return legs ? texts.holePerLeg(legs.join(' ')) : texts.placesHint
}

function put(lines: string[]) {
  typing.value = null
  text.value = `${lines.join('\n')}\n`
}
function change(index: number, changes: Partial<Row>) {
  const row = { ...rows.value[index]!, ...changes }
  if (changes.type && row.kind === 'part' && !row.name)
    row.name = nextRef(rows.value, types.value.find((t) => t.id === changes.type)?.letters ?? 'U')
  put(rows.value.map((r, i) => (i === index ? writeLine(row) : r.raw)))
}
// What is being typed in a cell is its own until it is left: a check that arrives meanwhile must not take it away.
type Field = 'name' | 'type' | 'places' | 'more'
const typing = ref<{ cell: string; value: string } | null>(null)
function held(index: number, field: Field, value: string): string {
  return typing.value?.cell === `${index}${field}` ? typing.value.value : value
}
function hold(index: number, field: Field, event: Event) {
  typing.value = { cell: `${index}${field}`, value: (event.target as HTMLInputElement).value }
}
function keep(index: number, field: Field, event: Event) {
  typing.value = null
  change(index, { [field]: (event.target as HTMLInputElement).value })
}

async function add(kind: 'wire' | 'part', after = rows.value.length - 1) {
  const lines = rows.value.map((r) => r.raw)
  lines.splice(after + 1, 0, kind)
  put(lines)
  await focus(after + 1)
}
function remove(index: number) {
  put(rows.value.filter((_, i) => i !== index).map((r) => r.raw))
}
function copy(index: number) {
  const row = rows.value[index]!
  const lines = rows.value.map((r) => r.raw)
  lines.splice(index + 1, 0, copied(row, nextRef(rows.value, row.name.replace(/\d+$/, ''))))
  put(lines)
}
function swap(index: number) {
  change(index, { places: swapped(rows.value[index]!).places })
}
async function focus(index: number, cell = 0) {
  await nextTick()
  const fields = body.value?.querySelectorAll<HTMLInputElement>(`tr[data-line="${index}"] input`)
  fields?.[Math.min(cell, fields.length - 1)]?.focus()
}
function down(index: number, cell: number) {
  const at = shown.value.findIndex((s) => s.index === index)
  const next = shown.value[at + 1]
  if (next) void focus(next.index, cell)
  else void add(rows.value[index]!.kind === 'part' ? 'part' : 'wire', index)
}
function onKey(event: KeyboardEvent, index: number, cell: number) {
  if (event.ctrlKey && event.key === 'Enter') {
    event.preventDefault()
    ;(event.target as HTMLInputElement).blur() // what is being typed counts first
    emit('submit')
    return
  }
  if (event.ctrlKey) return // undo in a cell is the browser's own, and touches this cell only
  if (event.key === 'Enter') {
    event.preventDefault()
    down(index, cell)
  } else if (event.altKey && ALT_KEYS[event.key]) {
    event.preventDefault()
    ;(event.target as HTMLInputElement).blur() // what is being typed counts first
    ALT_KEYS[event.key]!(index)
    void focus(Math.min(index, rows.value.length - 1), cell)
  }
}
const ALT_KEYS: Record<string, (index: number) => void> = {
  ArrowDown: (index) => move(index, 1),
  ArrowUp: (index) => move(index, -1),
  s: swap,
  c: copy,
  Delete: remove,
}
function move(index: number, by: number) {
  change(index, { places: movedPlaces(rows.value[index]!.places, by) })
}
async function entered(lines: string[]) {
  put(lines)
  await nextTick()
  box.value?.scrollTo({ top: box.value.scrollHeight })
}
</script>

<template>
  <NFlex vertical size="small" class="leads">
    <div ref="box" class="box">
      <table>
        <thead>
          <tr>
            <th>
              <span class="visually-hidden">{{ texts.line }}</span>
            </th>
            <th>{{ common.what }}</th>
            <th>{{ texts.type }}</th>
            <th>{{ texts.places }}</th>
            <th>
              {{ texts.colourSettings }}
            </th>
            <th>
              <span class="visually-hidden">{{ common.acts }}</span>
            </th>
          </tr>
        </thead>
        <tbody ref="body">
          <tr
            v-for="{ row, index } in shown"
            :key="index"
            :data-line="index"
            :class="{ wrong: wrong.has(index) }"
          >
            <td class="v count border-t border-t-line text-faint text-right pr-1.5 text-xs">
              {{ index + 1 }}
            </td>
            <template v-if="row.kind === 'other'">
              <td colspan="4" class="border-t border-t-line py-px px-0.5">
                <input
                  :value="held(index, 'more', row.raw)"
                  :aria-label="texts.lineNumber(index + 1)"
                  @input="hold(index, 'more', $event)"
                  @change="
                    put(rows.map((r, i) => (i === index ? ($event.target as HTMLInputElement).value : r.raw)))
                  "
                  @keydown="onKey($event, index, 0)"
                />
              </td>
            </template>
            <template v-else>
              <td class="ref border-t border-t-line py-px px-0.5 w-14.5">
                <input
                  v-if="row.kind === 'part' || row.kind === 'board'"
                  :value="held(index, 'name', row.name)"
                  :aria-label="texts.referenceLine(index + 1)"
                  placeholder="R1"
                  @input="hold(index, 'name', $event)"
                  @change="keep(index, 'name', $event)"
                  @keydown="onKey($event, index, 0)"
                />
                <span v-else class="kind v text-soft px-1.5">{{ row.kind }}</span>
              </td>
              <td v-if="row.kind !== 'wire'" class="type border-t border-t-line py-px px-0.5">
                <input
                  :value="held(index, 'type', row.type)"
                  :list="row.kind === 'part' ? 'lead-types' : undefined"
                  :aria-label="texts.typeLine(index + 1)"
                  :placeholder="texts.resistor"
                  @input="hold(index, 'type', $event)"
                  @change="keep(index, 'type', $event)"
                  @keydown="onKey($event, index, 1)"
                />
              </td>
              <td class="places border-t border-t-line py-px px-0.5" :colspan="row.kind === 'wire' ? 2 : 1">
                <input
                  v-if="row.kind === 'wire' || row.kind === 'part'"
                  :value="held(index, 'places', row.places)"
                  :list="row.kind === 'wire' ? 'lead-pins' : undefined"
                  :aria-label="texts.placesLine(index + 1)"
                  :placeholder="row.kind === 'wire' ? texts.placesExample : placesOf(row.type)"
                  @input="hold(index, 'places', $event)"
                  @change="keep(index, 'places', $event)"
                  @keydown="onKey($event, index, row.kind === 'wire' ? 0 : 2)"
                />
              </td>
              <td class="more border-t border-t-line py-px px-0.5">
                <input
                  v-if="row.kind === 'wire' || row.kind === 'part'"
                  :value="held(index, 'more', row.more)"
                  :title="row.more"
                  :aria-label="texts.colourOrSettings(index + 1)"
                  :placeholder="row.kind === 'wire' ? texts.red : (EXAMPLES[row.type] ?? '')"
                  @input="hold(index, 'more', $event)"
                  @change="keep(index, 'more', $event)"
                  @keydown="onKey($event, index, row.kind === 'wire' ? 1 : 3)"
                />
              </td>
            </template>
            <td class="acts border-t border-t-line py-px px-0.5">
              <NButton
                text
                :aria-label="texts.exchangeTheEnds(index + 1)"
                :title="texts.exchangeEnds"
                @click="swap(index)"
              >
                ⇄
              </NButton>
              <NButton
                text
                :aria-label="texts.copyLine(index + 1)"
                :title="texts.copyAltC"
                @click="copy(index)"
              >
                +
              </NButton>
              <NButton
                text
                :aria-label="texts.removeLine(index + 1)"
                :title="texts.removeAltDelete"
                @click="remove(index)"
              >
                ×
              </NButton>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <!-- Before the names of parts and pins are there, nothing that is typed could be understood. -->
    <Asked v-if="!names" :query="vocabulary" :what="texts.vocabulary" />
    <EntryLine
      v-else
      ref="entry"
      :lines="rows.map((row) => row.raw)"
      :words="words"
      :may-undo="canUndo"
      @change="entered"
      @undo="undo()"
      @submit="emit('submit')"
    />
    <datalist id="lead-types">
      <option v-for="type in types" :key="type.id" :value="type.id">{{ type.title }}</option>
    </datalist>
    <datalist id="lead-pins"><option v-for="pin in pins" :key="pin" :value="`${pin} `" /></datalist>
  </NFlex>
</template>

<style scoped>
th {
  text-align: left;
  font-size: 13.5px;
  font-weight: 630;
  color: var(--soft);
  padding: 2px 6px;
}
.box {
  overflow: auto;
  max-height: max(240px, 38vh);
}
thead th {
  position: sticky;
  top: 0;
  background: var(--sheet);
  z-index: 1;
}
table {
  border-collapse: collapse;
  width: 100%;
  min-width: 520px;
}
input {
  font: 13px var(--mono);
  color: var(--ink);
  background: none;
  border: 0;
  padding: 6px;
  width: 100%;
  border-radius: 3px;
}
input::placeholder {
  color: var(--faint);
}
input:focus {
  background: var(--act-bg);
  outline: 2px solid var(--act);
}
.type {
  width: 148px;
}
.more {
  width: 20%;
}
.acts {
  white-space: nowrap;
  width: 84px;
}
.acts .n-button {
  color: var(--soft);
  min-width: 26px;
  min-height: 28px;
  font: 15px var(--mono);
}
tr.wrong td {
  background: var(--stop-bg);
}
</style>
