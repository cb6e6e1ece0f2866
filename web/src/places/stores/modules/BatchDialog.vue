<script setup lang="ts">
// Batches: what modules that were bought together have in common, and how often they fail.
import { NButton, NFlex, NForm, NTable } from 'naive-ui'
import { computed, reactive, ref, watch } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import Unfold from '@/pieces/controls/Unfold.vue'
import ChoiceField from '@/pieces/fields/ChoiceField.vue'
import DateField from '@/pieces/fields/DateField.vue'
import FormField from '@/pieces/fields/FormField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import Asked from '@/pieces/states/Asked.vue'
import Dialog from '@/pieces/dialog/Dialog.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
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
  return wrong ? texts.figureNotRead(label(wrong[0]), wrong[1]) : ''
})
const percent = (rate: number | null) => (rate === null ? '–' : `${(rate * 100).toFixed(0)} %`)
</script>

<template>
  <Dialog v-model:show="show" :title="texts.batches" width="820px">
    <NForm
      v-if="editing !== null"
      class="fields grid grid-cols-[repeat(auto-fit,minmax(230px,1fr))] gap-y-2.5 gap-x-4 items-end"
      @submit.prevent="save"
    >
      <FormField :label="common.name"
        ><TextField v-model="typed.name" maxlength="40" required placeholder="T 2026-09"
      /></FormField>
      <FormField :label="common.kind"
        ><ChoiceField
          v-model="typed.part"
          :disabled="editing !== 'new'"
          :options="(kinds ?? []).map((one) => ({ value: one.id, label: one.title }))"
          :placeholder="texts.choose"
      /></FormField>
      <FormField :label="texts.markingLabel"><TextField v-model="typed.marking" maxlength="80" /></FormField>
      <FormField v-if="kind?.legs.length" :label="texts.legsLabel"
        ><TextField v-model="typed.leg_order" maxlength="120" :placeholder="kind.legs.join('-')" figures
      /></FormField>
      <BoughtFields :model-value="typed" />
      <FormField :label="texts.boughtOn"><DateField v-model="typed.bought_on" /></FormField>
      <Unfold
        v-if="kind && Object.keys(kind.figures).length"
        class="col-span-full"
        :open="Object.keys(figures).length > 0"
        :title="texts.figuresHeading"
      >
        <div
          class="fields figures mt-2 grid grid-cols-[repeat(auto-fit,minmax(230px,1fr))] gap-y-2.5 gap-x-4 items-end"
        >
          <FormField v-for="(usual, name) in kind.figures" :key="name" :label="label(name)"
            ><TextField v-model="figures[name]" inputmode="decimal" :placeholder="String(usual)" figures
          /></FormField>
        </div>
      </Unfold>
      <p v-if="unread" class="text-stop col-span-full" role="alert">{{ unread }}</p>
      <ErrorNote class="col-span-full" :error="error" />
      <NFlex :wrap="false" size="small" class="acts mt-2 col-span-full">
        <NButton type="primary" attr-type="submit" :disabled="busy || !!unread">{{
          texts.saveTheBatch
        }}</NButton>
        <NButton type="primary" quaternary @click="editing = null">{{ texts.back }}</NButton>
      </NFlex>
    </NForm>
    <Asked v-else v-slot="{ data }" :query="query" :what="texts.subject">
      <p v-if="!data.length" class="soft">
        {{ texts.noneHint }}
      </p>
      <div v-else class="wrap">
        <NTable :bordered="false" size="small">
          <thead>
            <tr>
              <th>{{ common.batch }}</th>
              <th>{{ common.kind }}</th>
              <th>{{ texts.legs }}</th>
              <th class="num">{{ common.modules }}</th>
              <th class="num">{{ common.faults }}</th>
              <th class="num">{{ texts.uses }}</th>
              <th class="num" :title="texts.faultRateLabel">{{ texts.rate }}</th>
              <th>
                <span class="visually-hidden">{{ common.acts }}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="batch in data" :key="batch.id">
              <td>
                <b>{{ batch.name }}</b><span v-if="batch.marking" class="soft block text-sm">{{
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
                <NButton type="primary" quaternary @click="edit(batch)">{{ texts.edit }}</NButton>
              </td>
            </tr>
          </tbody>
        </NTable>
      </div>
      <NFlex :wrap="false" size="small" class="acts mt-2">
        <NButton type="primary" @click="edit(null)">{{ texts.newBatch }}</NButton>
      </NFlex>
    </Asked>
  </Dialog>
</template>
