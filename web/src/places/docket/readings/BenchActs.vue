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
    await props.save(act.name, choice, texts.atTheBench)
  } finally {
    saving.value = ''
  }
}
const said = (act: BenchAct) =>
  act.choices.length ? act.choices[act.result!] : withUnit(act.result!, act.unit)
</script>

<template>
  <section v-if="acts.length" class="acts" :aria-label="texts.toTellThemApart">
    <h3>{{ texts.toTellThemApart }}</h3>
    <ul v-if="done.length" class="done">
      <li v-for="act in done" :key="act.name">
        {{ act.text }} <b class="v">{{ said(act) }}</b>
      </li>
    </ul>
    <article v-for="act in shown" :key="act.name">
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
        :label="texts.itReads"
        :unit="act.unit"
        :known="[]"
        :save="save"
      />
      <p v-else class="choices" role="group" :aria-label="act.text">
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
      {{ others ? texts.onlyTheBestOne : texts.otherWaysToTell }}
    </NButton>
  </section>
</template>

<style scoped>
.acts {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
  margin: 12px 0;
}
article {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
  background: var(--copper-soft);
  border-radius: 8px;
  padding: 11px 14px;
}
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.choices .n-button {
  white-space: normal;
  text-align: left;
}
.done {
  margin: 0;
  padding-left: 18px;
}
.n-button {
  justify-self: start;
}
</style>
