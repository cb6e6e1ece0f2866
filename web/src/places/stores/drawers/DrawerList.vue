<script setup lang="ts">
// What is counted by drawer. Stock-taking goes down the list by keyboard: a count, Enter, the next one.
import { NButton, NTable } from 'naive-ui'
import { computed, nextTick, reactive, ref } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import TextField from '@/pieces/fields/TextField.vue'
import Asked from '@/pieces/states/Asked.vue'
import EmptyNote from '@/pieces/states/EmptyNote.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import Sheet from '@/pieces/states/Sheet.vue'
import { STORES_STALE, useStock } from '@/queries/stores'
import { useAct } from '@/shared/act'
import { dayOf } from '@/shared/words'
import { common } from '@texts/common'
import { drawerList as texts } from '@texts/stores'
import { stockMoves } from '@texts/words'
import DrawerDialog from './DrawerDialog.vue'

type Item = Schemas['StockItemOut']
const query = useStock()
const counting = ref(false)
const typed = reactive<Record<number, string>>({})
/** The count that the list showed when somebody began to type: what others take meanwhile stays taken. */
const seen = reactive<Record<number, number>>({})
const done = ref<{ item: number; text: string; differs: boolean; move: number | null } | null>(null)
const edited = ref<Item | 'new' | null>(null)
const { busy, error, run } = useAct(STORES_STALE)
const low = computed(() => query.data.value?.filter((item) => item.low).length ?? 0)
const drawers = computed(() => {
  const found = new Map<string, Item[]>()
  for (const item of query.data.value ?? []) found.set(item.drawer, [...(found.get(item.drawer) ?? []), item])
  return [...found]
})

/** The fields of the count, of which each has a drawer's item. */
const COUNTED = '[name=counted]'
async function begin() {
  counting.value = true
  await nextTick()
  document.querySelector<HTMLInputElement>(COUNTED)?.focus()
}
function end() {
  counting.value = false
  done.value = null
  for (const id of Object.keys(typed)) delete typed[Number(id)]
}
function next(event: KeyboardEvent, step: number) {
  const fields = [...document.querySelectorAll<HTMLInputElement>(COUNTED)]
  const at = fields.indexOf(event.target as HTMLInputElement)
  fields[at + step]?.focus()
}
/** Counts are sent one after the other, so that the last answer is that of the last count. */
let sent: Promise<unknown> = Promise.resolve()
function enter(event: KeyboardEvent, item: Item) {
  const text = typed[item.id]?.trim() ?? ''
  next(event, 1)
  if (!/^\d+$/.test(text)) return // left as it is
  const body = { seen: seen[item.id] ?? item.count, found: Number(text) }
  sent = sent.then(() => save(item, body))
}
async function save(item: Item, body: { seen: number; found: number }) {
  const answer = await run(() =>
    ask(client.POST('/api/stock/{item_id}/count', { params: { path: { item_id: item.id } }, body })),
  )
  if (!answer) return
  delete typed[item.id]
  done.value = {
    item: item.id,
    text: answer.message,
    differs: body.found !== body.seen,
    move: answer.move ?? null,
  }
}
async function undo(move: number) {
  const path = { move_id: move }
  const answer = await run(() => ask(client.POST('/api/stock/moves/{move_id}/undo', { params: { path } })))
  if (answer) done.value = { item: 0, text: answer.message, differs: false, move: null }
}
const lastWords = (item: Item) =>
  item.last ? `${stockMoves[item.last.why] ?? item.last.why} ${dayOf(item.last.at)}` : ''
</script>

<template>
  <section :aria-label="common.drawers">
    <header class="flex gap-2.5 items-center flex-wrap mb-3">
      <p class="soft flex-[1_1_200px]">
        <b v-if="low" class="bad">{{ texts.belowTheSmallest(low) }}</b>
        {{ counting ? texts.typeWhatLies : '' }}
      </p>
      <NButton v-if="!counting" type="primary" ghost @click="edited = 'new'">{{ texts.addAThing }}</NButton>
      <NButton v-if="query.data.value?.length" type="primary" @click="counting ? end() : begin()">
        {{ counting ? texts.countingIsDone : texts.countTheDrawers }}
      </NButton>
    </header>
    <ErrorNote :error="error" />
    <p v-if="done" role="status" class="done" :class="{ differs: done.differs }">
      {{ done.text }}
      <NButton v-if="done.move" type="primary" quaternary :disabled="busy" @click="undo(done.move)">
        {{ common.undo }}
      </NButton>
    </p>
    <Asked v-slot="{ data }" shape="table" :query="query" :what="texts.subject">
      <EmptyNote v-if="!data.length" :title="texts.nothingIsCounted" :text="texts.resistorsLights" />
      <Sheet v-else pad="none" inner="overflow-auto" @keydown.esc="end">
        <NTable :bordered="false" size="small" class="min-w-150">
          <thead>
            <tr>
              <th>{{ texts.drawer }}</th>
              <th>{{ common.what }}</th>
              <th class="num">{{ common.count }}</th>
              <th class="num">{{ texts.smallest }}</th>
              <th>{{ counting ? texts.found : texts.last }}</th>
            </tr>
          </thead>
          <tbody>
            <template v-for="[drawer, items] in drawers" :key="drawer">
              <tr v-for="(item, index) in items" :key="item.id" :class="{ first: index === 0 }">
                <td class="v font-bold">{{ index === 0 ? drawer || '–' : '' }}</td>
                <td>
                  <NButton text class="name" @click="edited = item">{{ item.title }}</NButton>
                  <span v-if="item.short" class="bad text-sm ml-2">{{ texts.beyondCount(item.short) }}</span>
                </td>
                <td class="num v" :class="{ bad: item.low }">
                  <b>{{ item.count }}</b>
                </td>
                <td class="num v soft">{{ item.least || '' }}</td>
                <td v-if="counting">
                  <TextField
                    v-model="typed[item.id]"
                    class="count-field"
                    name="counted"
                    inputmode="numeric"
                    :aria-label="texts.foundIn(drawer, item.title)"
                    figures
                    @focus="seen[item.id] = item.count"
                    @keydown.enter.prevent="enter($event, item)"
                    @keydown.down.prevent="next($event, 1)"
                    @keydown.up.prevent="next($event, -1)"
                  />
                </td>
                <td v-else class="soft text-sm ml-2">{{ lastWords(item) }}</td>
              </tr>
            </template>
          </tbody>
        </NTable>
      </Sheet>
    </Asked>
    <DrawerDialog v-model:item="edited" />
  </section>
</template>

<style scoped>
tr:not(.first) td {
  border-top-color: transparent;
}
.name {
  text-decoration: underline;
  text-decoration-color: var(--line);
  text-underline-offset: 3px;
}
.count-field {
  width: 84px;
}
.bad {
  color: var(--stop);
}
.done {
  color: var(--good);
  margin-bottom: 10px;
}
.done.differs {
  color: var(--copper);
  font-weight: 620;
}
</style>
