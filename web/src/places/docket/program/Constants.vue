<script setup lang="ts">
// Constants of libraries that the program works with: what each stands for is asked once, and remembered for the exercise.
import { NButton, NForm } from 'naive-ui'
import { reactive, watch } from 'vue'
import type { Schemas } from '@/api/client'
import ChoiceField from '@/pieces/fields/ChoiceField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import { useMe } from '@/shared/me'
import { common } from '@texts/common'
import { constants as texts } from '@texts/docket'
import { useDocket } from '../use-docket'

const props = defineProps<{ constants: Schemas['ConstantOut'][] }>()
const { explain, busy } = useDocket()
const { data: me } = useMe()
const typed = reactive<Record<string, string>>({})
/** What a method of a library may be for, in words. */
const PURPOSES: Record<string, string> = {
  celsius: texts.celsius,
  fahrenheit: texts.fahrenheit,
  percent: texts.humidityPercent,
  hectopascal: texts.pressureHectopascal,
  pascal: texts.pressurePascal,
  centimetre: texts.distanceCentimetres,
  millimetre: texts.distanceMillimetres,
  inch: texts.distanceInches,
  microsecond: texts.echoTimeMicroseconds,
  print: texts.displayPrint,
  clear: texts.displayClear,
  cursor: texts.displayCursor,
  'tag-near': texts.tagPresent,
  'tag-id': texts.tagRead,
  ready: texts.noEffect,
}
watch(
  () => props.constants,
  (rows) => {
    for (const row of rows) typed[row.name] ??= row.stands_for
  },
  { immediate: true },
)
</script>

<template>
  <section class="grid grid-cols-1 gap-2 mt-4.5">
    <h3>{{ texts.heading }}</h3>
    <p class="soft">
      {{ texts.help }}
    </p>
    <NForm
      v-for="row in constants"
      :key="row.name"
      @submit.prevent="explain(row.name, typed[row.name] ?? '')"
    >
      <label :for="`constant-${row.name}`" class="v wrap-anywhere">{{ row.name }}</label>
      <ChoiceField
        v-if="row.purposes?.length"
        :id="`constant-${row.name}`"
        :model-value="typed[row.name] ?? ''"
        :disabled="me?.kind !== 'instructor'"
        :options="[
          { value: '', label: texts.notDefinedYet },
          ...row.purposes.map((purpose) => ({ value: purpose, label: PURPOSES[purpose] ?? purpose })),
        ]"
        @update:model-value="typed[row.name] = $event"
      />
      <TextField
        v-else
        :id="`constant-${row.name}`"
        v-model="typed[row.name]"
        :placeholder="texts.valueExample"
        autocomplete="off"
        maxlength="60"
        :readonly="me?.kind !== 'instructor'"
        figures
      />
      <NButton
        v-if="me?.kind === 'instructor'"
        type="primary"
        ghost
        attr-type="submit"
        :disabled="busy || typed[row.name] === row.stands_for"
      >
        {{ common.save }}
      </NButton>
    </NForm>
  </section>
</template>

<style scoped>
form {
  display: grid;
  grid-template-columns: minmax(0, auto) minmax(90px, 1fr) auto;
  gap: 8px;
  align-items: center;
}
</style>
