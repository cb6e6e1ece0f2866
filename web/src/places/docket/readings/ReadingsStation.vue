<script setup lang="ts">
import { NButton, NFlex } from 'naive-ui'
import { computed, ref } from 'vue'
import { ask, client } from '@/api/client'
import Callout from '@/pieces/states/Callout.vue'
import Asked from '@/pieces/states/Asked.vue'
import ChoiceBar from '@/pieces/controls/ChoiceBar.vue'
import EmptyNote from '@/pieces/states/EmptyNote.vue'
import FindingList from '@/pieces/findings/FindingList.vue'
import LivePanel from '@/pieces/live/LivePanel.vue'
import MeasureForm from '@/pieces/MeasureForm.vue'
import BudgetBars from '@/pieces/plots/BudgetBars.vue'
import SheetStudy from '@/pieces/sheet/SheetStudy.vue'
import type { SheetSource } from '@/pieces/sheet/use-sliders'
import { useSheets } from '@/queries/docket'
import { newToken } from '@/shared/drafts'
import { useKeys } from '@/shared/keys'
import { useTab } from '@/shared/tabs'
import { clockTime } from '@/shared/words'
import { common } from '@texts/common'
import { readingsStation as texts } from '@texts/docket'
import HandInPanel from '../HandInPanel.vue'
import BenchActs from './BenchActs.vue'
import LogView from './LogView.vue'
import Explanations from './Explanations.vue'
import ReasonAsk from '../ReasonAsk.vue'
import StationFrame from '../StationFrame.vue'
import { useDocket } from '../use-docket'
import { useStationKeys } from '../use-station-keys'

const emit = defineEmits<{ next: [] }>()
const { docket, id, measure, handIn, busy } = useDocket()
async function handInLive(text: string) {
  await handIn('readings', text, newToken(), readings.value?.number ?? 0)
  tab.value = 'sheet-and-readings'
}
const TABS = {
  'sheet-and-readings': texts.sheetAndReadings,
  log: texts.log,
  live: texts.live,
  'tolerance-budget': texts.toleranceBudget,
  'hand-in': common.handIn,
}
const { tab } = useTab(TABS)
const chosen = ref(0)
const readings = computed(() => docket.value?.readings ?? null)
const sheets = useSheets(id)
const sheet = computed(() => sheets.data.value?.built ?? null)
const at = () => ({ params: { path: { docket_id: id.value } } })
const body = (measured: Record<string, number> = {}) => ({ variant: '', board: '', measured })
const source = computed<SheetSource>(() => ({
  key: ['docket', id.value, docket.value?.revision],
  sheet: (measured) => ask(client.POST('/api/dockets/{docket_id}/sheet', { ...at(), body: body(measured) })),
  sliders: (reading) =>
    ask(
      client.POST('/api/dockets/{docket_id}/sliders', {
        params: { path: { docket_id: id.value }, query: { reading } },
        body: body(),
      }),
    ),
}))
const step = ref('')
const names = computed(() => sheet.value?.readings.map((r) => r.name) ?? [])
const drawn = ref<string | null>(null)
/** What the explanation that is drawn would print, by step and reading. */
const would = computed(() => {
  const index = Number(drawn.value?.split(':')[0] ?? -1)
  return readings.value?.diagnosis[index]?.printed ?? []
})
const budgeted = computed(
  () => sheet.value?.steps.find((s) => s.name === step.value) ?? sheet.value?.steps.at(-1) ?? null,
)
const { state, judged, sendBack, asking, mayPass, maySendBack, passIt } = useStationKeys(
  'readings',
  () => readings.value?.findings ?? [],
  chosen,
)
const improved = computed(() => {
  const all = readings.value?.attempts ?? []
  return all.length > 1 && fits.value && all[0]!.verdict !== 'in-limits' ? all : []
})
const fits = computed(() => readings.value?.verdict === 'in-limits')
const rail = computed(() => docket.value?.measurements.find((m) => m.name === 'rail'))
const VERDICT: Record<string, string> = {
  'in-limits': texts.everyStepLies,
  out: texts.readingsLieOutside,
  incomplete: texts.stepWithoutReadings,
  'not-judged': texts.nothingJudged,
}
useKeys({
  b: { does: texts.keySendBack, act: () => (asking.value = maySendBack.value) },
  a: { does: texts.keyAccept, act: passIt },
})
</script>

<template>
  <StationFrame v-if="docket" v-model:tab="tab" :tabs="TABS" @next="emit('next')">
    <template #side>
      {{ texts.ownValues }}
      <span class="v">{{ rail ? `${rail.value} V` : texts.supplyNotMeasured }}</span>
    </template>
    <template #evidence>
      <HandInPanel
        v-if="tab === 'hand-in'"
        kind="readings"
        :given="readings"
        @done="tab = 'sheet-and-readings'"
      />
      <template v-else-if="tab === 'log'">
        <LogView
          v-if="readings"
          :text="readings.text"
          :steps="readings.steps"
          :sheet="sheet"
          :columns="readings.columns"
          :names="names"
          :drawn="readings.drawn"
          :begins="readings.begins"
          :save="measure"
        />
        <EmptyNote v-else :title="texts.noLogYet" :text="texts.noLogHint">
          <NButton type="primary" @click="tab = 'hand-in'">{{ texts.enterTheLog }}</NButton>
        </EmptyNote>
      </template>
      <LivePanel
        v-else-if="tab === 'live'"
        :docket="docket.id"
        :steps="docket.exercise.steps.map((s) => s.name ?? '')"
        :baud="docket.exercise.baud"
        :unit="sheet?.readings[0]?.unit ?? ''"
        :decimals="sheet?.readings[0]?.decimals"
        @done="handInLive"
      />
      <Asked v-else-if="!sheet" :query="sheets" :what="texts.sheetSubject" />
      <EmptyNote v-else-if="sheet.reason" :title="texts.noSheet" :text="sheet.reason" />
      <NFlex v-else-if="tab === 'tolerance-budget'" vertical>
        <ChoiceBar
          :model-value="budgeted?.name ?? ''"
          :label="common.step"
          :choices="sheet.steps.map((s) => ({ value: s.name, word: s.name }))"
          @update:model-value="step = $event"
        />
        <BudgetBars
          v-for="r in budgeted?.readings ?? []"
          :key="r.quantity"
          :budget="r.budget"
          :step="`${budgeted!.name}${budgeted!.readings.length > 1 ? `, ${r.name}` : ''}`"
          :decimals="r.decimals"
          :sampled="r.sampled"
        />
      </NFlex>
      <SheetStudy
        v-else
        :sheet="sheet"
        :source="source"
        :readings="readings?.steps"
        :predicted="docket.prediction?.predictions"
        :would="would"
      />
    </template>
    <template #findings>
      <p v-if="readings && !judged" class="soft" aria-busy="true">{{ texts.checkRunning }}</p>
      <template v-else-if="readings">
        <h2>{{ VERDICT[readings.verdict] }}</h2>
        <p class="soft">{{ texts.attempt(readings.number, clockTime(readings.at), readings.by) }}</p>
        <Explanations
          v-if="readings.diagnosis.length"
          v-model:drawn="drawn"
          :explanations="readings.diagnosis"
          :docket="docket.id"
        />
        <BenchActs :acts="readings.acts" :save="measure" />
        <FindingList
          v-if="readings.findings.length"
          v-model:chosen="chosen"
          class="mt-3.5"
          :findings="readings.findings"
        />
        <Callout v-if="improved.length" tone="note" class="mt-2">
          {{ texts.improvedSince(readings.number) }}
          <span class="v">{{
            improved.map((a) => `${a.number}: ${a.verdict.replace('-', ' ')}`).join(', ')
          }}</span>
        </Callout>
        <Callout v-for="note in readings.notes" :key="note" tone="note" class="mt-2">
          {{ note }}
        </Callout>
      </template>
      <template v-else>
        <h2>{{ texts.noReadingsYet }}</h2>
        <p class="soft">{{ texts.sheetReady }}</p>
      </template>
      <NFlex v-if="sheet && !sheet.reason" :wrap="false" size="large" class="mt-3">
        <a :href="`/api/dockets/${docket.id}/sheet.pdf`" target="_blank">{{ texts.answerKeyLink }}</a>
        <a :href="`/api/dockets/${docket.id}/sheet.pdf?answers=false`" target="_blank">{{
          texts.predictionPageLink
        }}</a>
      </NFlex>
      <section class="border-t border-t-line mt-4.5 pt-3 grid grid-cols-1 gap-2">
        <h3>{{ texts.measurementsHeading }}</h3>
        <MeasureForm
          v-for="what in docket.measurables"
          :key="what.name"
          :name="what.name"
          :label="what.label"
          :unit="what.unit"
          :known="docket.measurements"
          :save="measure"
        />
      </section>
    </template>
    <template #decisions>
      <NButton type="primary" :class="{ line: fits }" :disabled="!maySendBack || busy" @click="asking = true">
        {{ texts.sendBack }} <kbd>B</kbd>
      </NButton>
      <NButton type="primary" :class="{ line: !fits }" :disabled="!mayPass || busy" @click="passIt">
        {{ texts.acceptTheReadings }} <kbd>A</kbd>
      </NButton>
      <span v-if="state === 'passed'" class="soft">{{ texts.acceptedMarking }}</span>
    </template>
  </StationFrame>
  <ReasonAsk
    v-model:show="asking"
    :title="texts.sendBack"
    :label="texts.messageLabel"
    :act="texts.ask"
    optional
    @done="sendBack"
  />
</template>
