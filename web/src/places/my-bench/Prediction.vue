<script setup lang="ts">
// What the pair expects to read, step by step, before it measures. Judged once the readings are in.
import { NButton, NForm, NTable } from 'naive-ui'
import { useStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import TextField from '@/pieces/fields/TextField.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { clockTime } from '@/shared/words'
import { common } from '@texts/common'
import { prediction as texts } from '@texts/my-bench'
import type { MyDocket } from './use-my-docket'
import { useMyDocket } from './use-my-docket'

const props = defineProps<{ docket: MyDocket }>()
const { handIn, busy } = useMyDocket()
const columns = computed(() => props.docket.exercise.readings.filter((r) => r.says !== 'tag id'))
const cell = (step: string, reading: string) => `${step}|${reading}`
const known = Object.fromEntries(
  (props.docket.prediction?.predictions ?? []).map((p) => [cell(p.step, p.reading), String(p.value)]),
)
const typed = useStorage<Record<string, string>>(`verifex-prediction-${props.docket.id}`, known, undefined, {
  mergeDefaults: true,
})
const wrong = ref<unknown>(null)
const isDone = computed(() => Object.values(typed.value).some((text) => text.trim()))
const quoted = (text: string) => `"${text.replace(/"/g, '""')}"`

async function save() {
  wrong.value = null
  const rows = props.docket.exercise.steps.flatMap((step) =>
    columns.value.map(
      (column) =>
        `${quoted(step.name!)},${column.key},${(typed.value[cell(step.name!, column.key)] ?? '').trim().replace(',', '.')}`,
    ),
  )
  try {
    const last = props.docket.prediction?.number ?? 0
    const text = ['step,reading,value', ...rows].join('\n')
    await handIn('prediction', text, `prediction-${last + 1}-${text.length}-${Date.now()}`, last)
  } catch (error) {
    wrong.value = error
  }
}
</script>

<template>
  <section v-if="columns.length" class="prediction">
    <h3>{{ texts.yourPrediction }}</h3>
    <p class="soft">
      {{ texts.help }}
    </p>
    <NForm @submit.prevent="save">
      <NTable :bordered="false" size="small">
        <thead>
          <tr>
            <th>{{ common.step }}</th>
            <th v-for="column in columns" :key="column.key">
              {{ column.name }}{{ column.unit ? `, ${column.unit}` : ` (${column.says})` }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="step in docket.exercise.steps" :key="step.name">
            <td>{{ step.name }}</td>
            <td v-for="column in columns" :key="column.key">
              <TextField
                v-model="typed[cell(step.name!, column.key)]"
                inputmode="decimal"
                :aria-label="`${step.name}, ${column.name}`"
                figures
              />
            </td>
          </tr>
        </tbody>
      </NTable>
      <div class="acts">
        <NButton type="primary" attr-type="submit" :disabled="busy || !isDone">
          {{ docket.prediction ? texts.saveItAgain : texts.saveThePrediction }}
        </NButton>
        <span v-if="docket.prediction" class="soft">
          {{ texts.savedAtBy(clockTime(docket.prediction.at), docket.prediction.by) }}
        </span>
        <a :href="`/api/my/dockets/${docket.id}/prediction.pdf`" target="_blank">{{ texts.printLink }}</a>
      </div>
      <ErrorNote v-if="wrong" :error="wrong" />
    </NForm>
  </section>
</template>

<style scoped>
.prediction {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
  border-bottom: 1px solid var(--line);
  padding-bottom: 14px;
}
.n-input {
  width: 110px;
}
.acts {
  display: flex;
  gap: 12px;
  align-items: center;
  margin-top: 8px;
  flex-wrap: wrap;
}
</style>
