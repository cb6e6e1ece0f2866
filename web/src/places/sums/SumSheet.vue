<script setup lang="ts">
// One sum: what it asks for, its formula and drawing, and the answer while one types.
import { NButton, NFlex, NForm, NTable } from 'naive-ui'
import { useStorage } from '@vueuse/core'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import TextField from '@/pieces/fields/TextField.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { useSum } from '@/queries/sums'
import { sumSheet as texts } from '@texts/sums'
import SumDrawing from './SumDrawing.vue'

const props = defineProps<{ sum: Schemas['SumOut'] }>()
const PLAIN = /^[\d.,]+$/ // no unit of its own yet
const SYMBOLS: Record<string, string> = { volt: 'V', amp: 'A', ohm: 'Ω', metre: 'm', second: 's' }

// What was entered stays for the next time this sum is opened.
const given = useStorage<Record<string, string>>(
  `verifex-sum-${props.sum.name}`,
  Object.fromEntries(props.sum.fields.map((field) => [field.name, field.default])),
  undefined,
  { mergeDefaults: true },
)
const { data, error } = useSum(
  props.sum.name,
  computed(() => ({ ...given.value })),
)
const results = computed(() =>
  Object.fromEntries(error.value ? [] : (data.value?.rows ?? []).map((row) => [row.name, row.said])),
)
const entered = computed(() =>
  Object.fromEntries(
    props.sum.fields.map((field) => {
      const text = (given.value[field.name] ?? '').trim()
      const symbol = SYMBOLS[field.unit] ?? ''
      return [field.name, text && PLAIN.test(text) && symbol ? `${text} ${symbol}` : text]
    }),
  ),
)
/** The formula with what follows a low line as an index: V_pin. */
const pieces = computed(() =>
  props.sum.formula
    .split(/(_\w+)/)
    .map((text) => ({ text: text.replace(/^_/, ''), low: text.startsWith('_') })),
)
function reset() {
  given.value = Object.fromEntries(props.sum.fields.map((field) => [field.name, field.default]))
}
</script>

<template>
  <article class="sum">
    <header>
      <h1>{{ sum.title }}</h1>
      <p class="v text-copper text-lg mt-1">
        <template v-for="(piece, index) in pieces" :key="index"
          ><sub v-if="piece.low">{{ piece.text }}</sub
          ><template v-else>{{ piece.text }}</template></template
        >
      </p>
    </header>
    <div class="two grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-8.5 mt-4.5 items-start">
      <div>
        <NForm @submit.prevent>
          <label
            v-for="(field, index) in sum.fields"
            :key="field.name"
            class="grid grid-cols-[170px_130px_30px] gap-2.5 items-center"
          >
            <span>{{ field.label }}</span>
            <TextField
              v-model="given[field.name]"
              autocomplete="off"
              :autofocus="index === 0"
              :placeholder="field.optional ? texts.none : field.default"
              figures
            />
            <span class="soft">{{
              !given[field.name]?.trim() || PLAIN.test(given[field.name]!.trim())
                ? (SYMBOLS[field.unit] ?? '')
                : ''
            }}</span>
          </label>
          <NButton type="primary" quaternary @click="reset">{{ texts.usualValues }}</NButton>
        </NForm>
        <ErrorNote v-if="error" :error="error" />
        <template v-else-if="data">
          <NFlex :wrap="false" align="baseline" class="answer mt-3.5 mb-2">
            <span class="v text-2xl font-bold text-copper">{{ data.rows[0]?.said }}</span>
            <span class="soft">{{ data.rows[0]?.label }}</span>
          </NFlex>
          <NTable :bordered="false" size="small">
            <tbody>
              <tr v-for="row in data.rows.slice(1)" :key="row.name">
                <td class="v num w-30">{{ row.said }}</td>
                <td>{{ row.label }}</td>
              </tr>
            </tbody>
          </NTable>
          <p v-for="note in data.notes" :key="note" class="soft note mt-2 text-sm">{{ note }}</p>
        </template>
        <p v-else class="soft" aria-busy="true">{{ texts.workingItOut }}</p>
      </div>
      <SumDrawing :name="sum.name" :given="entered" :results="results" />
    </div>
  </article>
</template>

<style scoped>
form {
  display: grid;
  gap: 9px;
  justify-items: start;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media (max-width: 430px) {
  label {
    grid-template-columns: 130px 1fr 24px;
  }
}
</style>
