<script setup lang="ts">
// What was measured of a module against something better: which way, the figures, with what; what it comes to is said by the server.
import { computed, reactive, ref, watch } from 'vue'
import { ApiError, ask, client, type Schemas } from '@/api/client'
import ErrorNote from '@/pieces/ErrorNote.vue'
import { STORES_STALE } from '@/queries/stores'
import { useAct } from '@/shared/act'
import { typedValue } from '@/shared/typed-value'
import { common } from '@texts/common'
import { calibrateForm as texts } from '@texts/stores-modules'

const props = defineProps<{ module: number; ways: Schemas['CalibrationKindOut'][] }>()
const emit = defineEmits<{ done: []; cancel: [] }>()
const chosen = ref(0)
const way = computed(() => props.ways[chosen.value] ?? props.ways[0]!)
const typed = reactive<Record<string, string>>({})
const withWhat = ref('')
const on = ref('')
const { busy, error, run } = useAct(STORES_STALE)
watch(
  way,
  (now) => {
    for (const field of now.fields) typed[field.name] ??= field.usual === null ? '' : String(field.usual)
  },
  { immediate: true },
)
const number = (field: Schemas['EnteredOut']) =>
  typedValue((typed[field.name] ?? '').replace('−', '-'), field.unit)
const several = (id: string) => props.ways.filter((one) => one.id === id).length > 1

async function save() {
  const wrong = way.value.fields.find((field) => number(field) === null)
  if (wrong) {
    error.value = new ApiError(texts.isNoNumber(wrong.label, typed[wrong.name]!), 422)
    return
  }
  const values = Object.fromEntries(way.value.fields.map((field) => [field.name, number(field)!]))
  const body = {
    kind: way.value.id,
    quantity: way.value.quantity,
    values,
    with_what: withWhat.value,
    on: on.value || null,
  }
  const path = { module_id: props.module }
  if (await run(() => ask(client.POST('/api/modules/{module_id}/calibrations', { params: { path }, body }))))
    emit('done')
}
</script>

<template>
  <form class="sunk" @submit.prevent="save">
    <label class="wide">
      <span class="field-label">{{ texts.how }}</span>
      <select v-model="chosen" class="field">
        <option v-for="(one, index) in ways" :key="`${one.id}${one.quantity}`" :value="index">
          {{ one.title }}{{ several(one.id) ? `: ${one.quantity}` : '' }}
        </option>
      </select>
    </label>
    <p class="soft wide">{{ texts.itCountsForDays(way.how, way.days) }}</p>
    <label v-for="field in way.fields" :key="field.name">
      <span class="field-label">{{ field.label }}{{ field.unit ? `, ${field.unit}` : '' }}</span>
      <input v-model="typed[field.name]" class="field v" inputmode="decimal" autocomplete="off" required />
    </label>
    <label>
      <span class="field-label">{{ texts.withWhat }}</span>
      <input v-model="withWhat" class="field" :placeholder="texts.referenceThermometer" maxlength="80" />
    </label>
    <label>
      <span class="field-label">{{ texts.onDay }}</span>
      <input v-model="on" class="field" type="date" />
    </label>
    <ErrorNote class="wide" :error="error" />
    <p class="acts wide">
      <button class="btn" :disabled="busy">{{ texts.saveTheCalibration }}</button>
      <button type="button" class="btn quiet" @click="emit('cancel')">{{ common.cancel }}</button>
    </p>
  </form>
</template>

<style scoped>
.sunk {
  background: var(--sunk);
  border-radius: var(--radius);
  padding: 12px 14px;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
  gap: 8px 14px;
  align-items: end;
  margin-bottom: 8px;
}
.wide {
  grid-column: 1 / -1;
}
.acts {
  display: flex;
  gap: 8px;
}
</style>
