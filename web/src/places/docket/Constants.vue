<script setup lang="ts">
// Constants of libraries that the program works with: what each stands for is asked once, and remembered for the exercise.
import { reactive, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { useMe } from '@/shared/me'
import { useDocket } from './use-docket'

const props = defineProps<{ constants: Schemas['ConstantOut'][] }>()
const { explain, busy } = useDocket()
const { data: me } = useMe()
const typed = reactive<Record<string, string>>({})
/** What a method of a library may be for, in words. */
const PURPOSES: Record<string, string> = {
  celsius: 'a temperature in °C',
  fahrenheit: 'a temperature in °F',
  percent: 'a humidity in %',
  hectopascal: 'a pressure in hPa',
  pascal: 'a pressure in Pa',
  centimetre: 'a distance in cm',
  millimetre: 'a distance in mm',
  inch: 'a distance in inches',
  microsecond: 'an echo time in µs',
  print: 'prints on the display',
  clear: 'clears the display',
  cursor: 'moves the cursor',
  'tag-near': 'whether a tag is near',
  'tag-id': 'reads a tag’s id',
  ready: 'nothing that shows',
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
  <section class="constants">
    <h3>What the library means</h3>
    <p class="soft">
      Said once, remembered for all pairs with this exercise: what a method gives; of a constant a number, or
      a kind of module.
    </p>
    <form v-for="row in constants" :key="row.name" @submit.prevent="explain(row.name, typed[row.name] ?? '')">
      <label :for="`constant-${row.name}`" class="v">{{ row.name }}</label>
      <select
        v-if="row.purposes?.length"
        :id="`constant-${row.name}`"
        v-model="typed[row.name]"
        class="field"
        :disabled="me?.kind !== 'instructor'"
      >
        <option value="">not said yet</option>
        <option v-for="purpose in row.purposes" :key="purpose" :value="purpose">
          {{ PURPOSES[purpose] ?? purpose }}
        </option>
      </select>
      <input
        v-else
        :id="`constant-${row.name}`"
        v-model="typed[row.name]"
        class="field v"
        placeholder="58.2 or climate-fine"
        autocomplete="off"
        maxlength="60"
        :readonly="me?.kind !== 'instructor'"
      />
      <button
        v-if="me?.kind === 'instructor'"
        class="btn line"
        :disabled="busy || typed[row.name] === row.stands_for"
      >
        Save
      </button>
    </form>
  </section>
</template>

<style scoped>
.constants {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
  margin-top: 18px;
}
form {
  display: grid;
  grid-template-columns: minmax(0, auto) minmax(90px, 1fr) auto;
  gap: 8px;
  align-items: center;
}
label {
  overflow-wrap: anywhere;
}
</style>
