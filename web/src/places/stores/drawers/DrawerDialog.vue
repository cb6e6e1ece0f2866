<script setup lang="ts">
// One counted thing: where it lies, its smallest stock, where it is bought; deliveries, and what happened in its drawer.
import { NButton, NForm } from 'naive-ui'
import { computed, reactive, ref, watch } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import ChoiceField from '@/pieces/fields/ChoiceField.vue'
import FormField from '@/pieces/fields/FormField.vue'
import NumberField from '@/pieces/fields/NumberField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import Dialog from '@/pieces/dialog/Dialog.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { STORES_STALE, useMoves, usePartKinds } from '@/queries/stores'
import { useAct } from '@/shared/act'
import { typedValue } from '@/shared/typed-value'
import { clockTime, dayOf } from '@/shared/words'
import { common } from '@texts/common'
import { drawerDialog as texts } from '@texts/stores'
import { stockMoves } from '@texts/words'
import BoughtFields from '@/places/stores/modules/BoughtFields.vue'
import { priceOf } from '@/places/stores/modules/price'

type Item = Schemas['StockItemOut']
const item = defineModel<Item | 'new' | null>('item', { required: true })
const show = computed({ get: () => item.value !== null, set: (on) => (item.value = on ? item.value : null) })
const held = computed(() => (item.value && item.value !== 'new' ? item.value : null))
const { data: kinds } = usePartKinds()
const { data: moves } = useMoves(computed(() => held.value?.id ?? null))
const { busy, error, said, run } = useAct(STORES_STALE)
const EMPTY = { part: '', title: '', value: '', colour: '', watts: '0.25', drawer: '', count: 0, least: 0, supplier: '', lead_days: 14, price: '' } // prettier-ignore
const typed = reactive({ ...EMPTY })
const bought = ref('')
const kind = computed(() => kinds.value?.find((one) => one.id === typed.part))
const counted = computed(() => kinds.value?.filter((one) => !one.board) ?? [])
watch(item, (now) => {
  error.value = null
  said.value = bought.value = ''
  Object.assign(typed, EMPTY)
  if (now && now !== 'new')
    Object.assign(typed, {
      ...now,
      value: now.ohms ? String(now.ohms) : '',
      watts: String(now.rated_watts),
      price: now.price ?? '',
    })
})
const ohms = (text: string) => typedValue(text, 'Ω') ?? 0
const watts = (text: string) => typedValue(text, 'W') ?? 0
/** What cannot be read of a new resistor; a word that is not understood is never taken for a usual one. */
const unread = computed(() => {
  if (held.value || typed.part !== 'resistor') return ''
  if (typed.value.trim() && !(ohms(typed.value) > 0)) return texts.valueNotRead(typed.value)
  if (!(watts(typed.watts) > 0)) return texts.noPower(typed.watts)
  return ''
})
async function save() {
  const body = {
    part: typed.part,
    title: typed.title,
    ohms: typed.part === 'resistor' ? ohms(typed.value) : 0,
    colour: typed.colour,
    tolerance_percent: held.value?.tolerance_percent ?? 5,
    rated_watts: held.value?.rated_watts ?? watts(typed.watts),
    count: typed.count,
    least: typed.least,
    drawer: typed.drawer,
    supplier: typed.supplier,
    lead_days: typed.lead_days,
    price: priceOf(typed.price),
  }
  const id = held.value?.id
  const done = await run(() =>
    id === undefined
      ? ask(client.POST('/api/stock', { body }))
      : ask(client.PUT('/api/stock/{item_id}', { params: { path: { item_id: id } }, body })),
  )
  if (done) item.value = null
}
async function bookIn() {
  const path = { item_id: held.value!.id }
  const body = { count: Number(bought.value), note: '' }
  if (await run(() => ask(client.POST('/api/stock/{item_id}/book-in', { params: { path }, body }))))
    bought.value = ''
}
const signed = (delta: number) => (delta > 0 ? `+${delta}` : String(delta).replace('-', '−'))
</script>

<template>
  <Dialog v-model:show="show" :title="held?.title ?? texts.addAThing" width="620px">
    <NForm v-if="held" class="line flex gap-2" @submit.prevent="bookIn">
      <TextField
        v-model="bought"
        inputmode="numeric"
        :aria-label="texts.arrivedLabel"
        :placeholder="texts.arrivedLabel"
        figures
      />
      <NButton type="primary" ghost attr-type="submit" :disabled="busy || !/^[1-9]\d*$/.test(bought)">{{
        texts.bookIn
      }}</NButton>
    </NForm>
    <NForm
      class="fields grid grid-cols-[repeat(auto-fit,minmax(170px,1fr))] gap-y-2.5 gap-x-3.5 items-end"
      @submit.prevent="save"
    >
      <FormField v-if="!held" :label="texts.catalogueLabel"
        ><ChoiceField
          v-model="typed.part"
          :options="[
            { value: '', label: texts.somethingElse },
            ...counted.map((one) => ({ value: one.id, label: one.title })),
          ]"
      /></FormField>
      <FormField v-if="!held && typed.part === 'resistor'" :label="texts.value"
        ><TextField v-model="typed.value" placeholder="4k7" required figures
      /></FormField>
      <FormField v-if="!held && typed.part === 'resistor'" :label="texts.ratedWatts"
        ><TextField v-model="typed.watts" inputmode="decimal" figures
      /></FormField>
      <FormField v-if="!held && kind?.colours.length" :label="texts.colour"
        ><ChoiceField
          v-model="typed.colour"
          :options="kind.colours.map((colour) => ({ value: colour, label: colour }))"
      /></FormField>
      <FormField v-if="!held && !typed.part" :label="texts.whatItIs"
        ><TextField v-model="typed.title" :placeholder="texts.thingExample" maxlength="80" required
      /></FormField>
      <FormField :label="texts.drawer"><TextField v-model="typed.drawer" maxlength="40" figures /></FormField>
      <FormField v-if="!held" :label="common.howMany"
        ><NumberField v-model="typed.count" :min="0"
      /></FormField>
      <FormField :label="texts.smallestStock"><NumberField v-model="typed.least" :min="0" /></FormField>
      <BoughtFields :model-value="typed" />
      <p v-if="unread" class="text-stop col-span-full" role="alert">{{ unread }}</p>
      <ErrorNote class="col-span-full" :error="error" />
      <p v-if="said" class="text-good col-span-full" role="status">{{ said }}</p>
      <NButton type="primary" attr-type="submit" :disabled="busy || !!unread">{{
        held ? common.save : texts.addIt
      }}</NButton>
    </NForm>
    <section v-if="held && moves?.length" :aria-label="texts.movesLabel">
      <h3 class="text-base mt-2 mb-1">{{ texts.movesHeading }}</h3>
      <ul class="list-none m-0 p-0 max-h-55 overflow-auto">
        <li
          v-for="move in moves"
          :key="move.id"
          class="flex gap-3 items-baseline py-1 border-t border-t-line text-sm"
        >
          <b class="v min-w-11 text-right">{{ signed(move.delta) }}</b>
          <span
            >{{ stockMoves[move.why] ?? move.why
            }}<template v-if="move.note">, {{ move.note }}</template></span
          >
          <span v-if="move.short" class="text-stop">{{ texts.beyondTheCount(move.short) }}</span>
          <span class="soft"
            >{{ dayOf(move.at) }}, {{ clockTime(move.at) }}{{ move.by ? `, ${move.by}` : '' }}</span
          >
          <span class="v soft ml-auto">{{ move.count_after }}</span>
        </li>
      </ul>
    </section>
  </Dialog>
</template>

<style scoped>
.line .n-input {
  width: 200px;
}
.fields > .n-button {
  justify-self: start;
}
</style>
