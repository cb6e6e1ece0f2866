<script setup lang="ts">
// What was measured of a module against something better: which way, the figures, with what; what it comes to is said by the server.
import { NButton, NFlex, NForm } from 'naive-ui'
import { computed, reactive, ref, watch } from 'vue'
import { ApiError, ask, client, type Schemas } from '@/api/client'
import ChoiceField from '@/pieces/fields/ChoiceField.vue'
import DateField from '@/pieces/fields/DateField.vue'
import FormField from '@/pieces/fields/FormField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
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
    error.value = new ApiError(texts.noNumber(wrong.label, typed[wrong.name]!), 422)
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
  <NForm
    class="bg-sunk rounded py-3 px-3.5 grid grid-cols-[repeat(auto-fit,minmax(220px,1fr))] gap-y-2 gap-x-3.5 items-end mb-2"
    @submit.prevent="save"
  >
    <FormField class="col-span-full" :label="texts.how"
      ><ChoiceField
        v-model="chosen"
        :options="
          ways.map((one, index) => ({
            value: index,
            label: `${one.title}${several(one.id) ? `: ${one.quantity}` : ''}`,
          }))
        "
    /></FormField>
    <p class="soft col-span-full">{{ texts.validFor(way.how, way.days) }}</p>
    <FormField v-for="field in way.fields" :key="field.name"
      ><template #label>{{ field.label }}{{ field.unit ? `, ${field.unit}` : '' }}</template
      ><TextField v-model="typed[field.name]" inputmode="decimal" autocomplete="off" required figures
    /></FormField>
    <FormField :label="texts.withWhat"
      ><TextField v-model="withWhat" :placeholder="texts.referenceThermometer" maxlength="80"
    /></FormField>
    <FormField :label="texts.onDay"><DateField v-model="on" /></FormField>
    <ErrorNote class="col-span-full" :error="error" />
    <NFlex :wrap="false" size="small" class="acts col-span-full">
      <NButton type="primary" attr-type="submit" :disabled="busy">{{ texts.saveTheCalibration }}</NButton>
      <NButton type="primary" quaternary @click="emit('cancel')">{{ common.cancel }}</NButton>
    </NFlex>
  </NForm>
</template>
