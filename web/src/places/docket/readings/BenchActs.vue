<script setup lang="ts">
// What to do at the bench next: the act that tells most a second of what is still likely. A result moves the list above at once.
import { NButton, NTable } from 'naive-ui'
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import MeasureForm from '@/pieces/MeasureForm.vue'
import { withUnit } from '@/shared/units'
import { benchActs as texts } from '@texts/docket-readings'

type BenchAct = Schemas['BenchActOut']
const props = defineProps<{
  acts: BenchAct[]
  save: (name: string, value: number, instrument: string) => Promise<unknown>
}>()
const done = computed(() => props.acts.filter((act) => act.result !== null))
const open = computed(() => props.acts.filter((act) => act.result === null))
const others = ref(false)
const shown = computed(() => (others.value ? open.value : open.value.slice(0, 1)))
const saving = ref('')
async function answer(act: BenchAct, choice: number) {
  saving.value = act.name
  try {
    await props.save(act.name, choice, texts.atBench)
  } finally {
    saving.value = ''
  }
}
const said = (act: BenchAct) =>
  act.choices.length ? act.choices[act.result!] : withUnit(act.result!, act.unit)
</script>

<template>
  <section
    v-if="acts.length"
    class="acts grid grid-cols-1 gap-2 my-3"
    :aria-label="texts.measurementsHeading"
  >
    <h3>{{ texts.measurementsHeading }}</h3>
    <ul v-if="done.length" class="m-0 pl-4.5">
      <li v-for="act in done" :key="act.name">
        {{ act.text }} <b class="v">{{ said(act) }}</b>
      </li>
    </ul>
    <article
      v-for="act in shown"
      :key="act.name"
      class="grid grid-cols-1 gap-2 bg-copper-soft rounded-lg py-3 px-3.5"
    >
      <p>
        {{ act.text }} <span class="soft">{{ texts.aboutS(act.seconds) }}</span>
        <span v-if="act.range" class="soft">{{ texts.range(act.range) }}</span>
      </p>
      <NTable v-if="act.unit" :bordered="false" size="small">
        <tbody>
          <tr v-for="row in act.shows" :key="row.title">
            <td>{{ row.title }}</td>
            <td class="num v">{{ row.says }}</td>
          </tr>
        </tbody>
      </NTable>
      <MeasureForm
        v-if="act.unit"
        :name="act.name"
        :label="texts.valueLabel"
        :unit="act.unit"
        :known="[]"
        :save="save"
      />
      <p v-else class="choices flex flex-wrap gap-2" role="group" :aria-label="act.text">
        <NButton
          v-for="(choice, index) in act.choices"
          :key="choice"
          type="primary"
          ghost
          :disabled="saving === act.name"
          @click="answer(act, index)"
        >
          {{ choice }}
        </NButton>
      </p>
    </article>
    <NButton v-if="open.length > 1" type="primary" quaternary @click="others = !others">
      {{ others ? texts.showBestOnly : texts.showOtherMeasurements }}
    </NButton>
  </section>
</template>

<style scoped>
.choices .n-button {
  white-space: normal;
  text-align: left;
}
.n-button {
  justify-self: start;
}
</style>
