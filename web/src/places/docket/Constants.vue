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
    <h3>Constants of the library</h3>
    <p class="soft">Said once, remembered for all pairs with this exercise: a number, or a kind of module.</p>
    <form v-for="row in constants" :key="row.name" @submit.prevent="explain(row.name, typed[row.name] ?? '')">
      <label :for="`constant-${row.name}`" class="v">{{ row.name }}</label>
      <input
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
