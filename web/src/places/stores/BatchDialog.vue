<script setup lang="ts">
// Batches: what modules that were bought together have in common, and how often they fail.
import { computed, reactive, ref, watch } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import Asked from '@/pieces/Asked.vue'
import Dialog from '@/pieces/Dialog.vue'
import ErrorNote from '@/pieces/ErrorNote.vue'
import { STORES_STALE, useBatches, usePartKinds } from '@/queries/stores'
import { useAct } from '@/shared/act'
import { typedValue } from '@/shared/typed-value'
import { common } from '@texts/common'
import { batchDialog as texts } from '@texts/stores-modules'
import BoughtFields from './BoughtFields.vue'
import { priceOf } from './price'

const show = defineModel<boolean>('show', { required: true })
const query = useBatches()
const { data: kinds } = usePartKinds()
type Batch = Schemas['BatchOut']
const editing = ref<number | 'new' | null>(null)
const empty = {
  name: '',
  part: '',
  marking: '',
  leg_order: '',
  price: '',
  supplier: '',
  lead_days: 14,
  bought_on: '',
}
const typed = reactive({ ...empty })
const figures = reactive<Record<string, string>>({})
const { busy, error, run } = useAct(STORES_STALE)
const kind = computed(() => kinds.value?.find((one) => one.id === typed.part))
watch(show, () => (editing.value = null))

function edit(batch: Batch | null) {
  error.value = null
  editing.value = batch?.id ?? 'new'
  Object.assign(
    typed,
    batch ? { ...batch, price: batch.price ?? '', bought_on: batch.bought_on ?? '' } : empty,
  )
  for (const name of Object.keys(figures)) delete figures[name]
  for (const [name, value] of Object.entries(batch?.figures ?? {})) figures[name] = String(value)
}
async function save() {
  const deviating = Object.entries(figures).filter(([, text]) => text.trim() !== '')
  const body = {
    name: typed.name,
    part: typed.part,
    marking: typed.marking,
    leg_order: typed.leg_order,
    supplier: typed.supplier,
    lead_days: typed.lead_days,
    price: priceOf(typed.price),
    bought_on: typed.bought_on || null,
    figures: Object.fromEntries(deviating.map(([name, text]) => [name, typedValue(text, '')!])),
  }
  const id = editing.value
  const done = await run(() =>
    id === 'new'
      ? ask(client.POST('/api/batches', { body }))
      : ask(client.PUT('/api/batches/{batch_id}', { params: { path: { batch_id: Number(id) } }, body })),
  )
  if (done) editing.value = null
}
const label = (name: string) => name.replaceAll('_', ' ')
const unread = computed(() => {
  const wrong = Object.entries(figures).find(([, text]) => text.trim() && typedValue(text, '') === null)
  return wrong ? texts.isNotRead(label(wrong[0]), wrong[1]) : ''
})
const percent = (rate: number | null) => (rate === null ? '–' : `${(rate * 100).toFixed(0)} %`)
</script>

<template>
  <Dialog v-model:show="show" :title="texts.batches" width="820px">
    <form v-if="editing !== null" class="fields" @submit.prevent="save">
      <label
        ><span class="field-label">{{ common.name }}</span
        ><input v-model="typed.name" class="field" maxlength="40" required placeholder="T 2026-09"
      /></label>
      <label>
        <span class="field-label">{{ common.kind }}</span>
        <select v-model="typed.part" class="field" required :disabled="editing !== 'new'">
          <option value="" disabled>{{ texts.choose }}</option>
          <option v-for="one in kinds" :key="one.id" :value="one.id">{{ one.title }}</option>
        </select>
      </label>
      <label
        ><span class="field-label">{{ texts.makersMarkingAsYouRead }}</span
        ><input v-model="typed.marking" class="field" maxlength="80"
      /></label>
      <label v-if="kind?.legs.length">
        <span class="field-label">{{ texts.legsInTheOrder }}</span>
        <input v-model="typed.leg_order" class="field v" maxlength="120" :placeholder="kind.legs.join('-')" />
      </label>
      <BoughtFields :model-value="typed" />
      <label
        ><span class="field-label">{{ texts.boughtOn }}</span
        ><input v-model="typed.bought_on" class="field" type="date"
      /></label>
      <details
        v-if="kind && Object.keys(kind.figures).length"
        class="wide"
        :open="Object.keys(figures).length > 0"
      >
        <summary>{{ texts.figuresInWhichItDeviates }}</summary>
        <div class="fields figures">
          <label v-for="(usual, name) in kind.figures" :key="name">
            <span class="field-label">{{ label(name) }}</span>
            <input v-model="figures[name]" class="field v" inputmode="decimal" :placeholder="String(usual)" />
          </label>
        </div>
      </details>
      <p v-if="unread" class="bad wide" role="alert">{{ unread }}</p>
      <ErrorNote class="wide" :error="error" />
      <p class="acts wide">
        <button class="btn" :disabled="busy || !!unread">{{ texts.saveTheBatch }}</button>
        <button type="button" class="btn quiet" @click="editing = null">{{ texts.backToTheList }}</button>
      </p>
    </form>
    <Asked v-else v-slot="{ data }" :query="query" :what="texts.theBatches">
      <p v-if="!data.length" class="soft">
        {{ texts.noBatchYetABatch }}
      </p>
      <div v-else class="wrap">
        <table class="plain">
          <thead>
            <tr>
              <th>{{ common.batch }}</th>
              <th>{{ common.kind }}</th>
              <th>{{ texts.legs }}</th>
              <th class="num">{{ common.modules }}</th>
              <th class="num">{{ common.faults }}</th>
              <th class="num">{{ texts.uses }}</th>
              <th class="num" :title="texts.faultsToBeExpected">{{ texts.rate }}</th>
              <th>
                <span class="visually-hidden">{{ common.acts }}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="batch in data" :key="batch.id">
              <td>
                <b>{{ batch.name }}</b><span v-if="batch.marking" class="soft block">{{
                  batch.marking
                }}</span>
              </td>
              <td>{{ batch.title }}</td>
              <td class="v">{{ batch.leg_order }}</td>
              <td class="num v">{{ batch.modules }}</td>
              <td class="num v">{{ batch.faults }}</td>
              <td class="num v">{{ batch.uses }}</td>
              <td class="num v">{{ percent(batch.rate) }}</td>
              <td class="num">
                <button class="btn quiet" @click="edit(batch)">{{ texts.edit }}</button>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p class="acts">
        <button class="btn" @click="edit(null)">{{ texts.newBatch }}</button>
      </p>
    </Asked>
  </Dialog>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(230px, 1fr));
  gap: 10px 16px;
  align-items: end;
}
.figures {
  margin-top: 8px;
}
.wide {
  grid-column: 1 / -1;
}
.acts {
  display: flex;
  gap: 8px;
  margin-top: 8px;
}
.block {
  display: block;
  font-size: 14px;
}
.bad {
  color: var(--stop);
}
summary {
  cursor: pointer;
  color: var(--soft);
}
</style>
