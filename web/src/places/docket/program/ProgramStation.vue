<script setup lang="ts">
import { NButton, NFlex } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import Asked from '@/pieces/states/Asked.vue'
import BeforeItRuns from '@/pieces/findings/BeforeItRuns.vue'
import { CodeView } from '@/pieces/lazy'
import EmptyNote from '@/pieces/states/EmptyNote.vue'
import FindingList from '@/pieces/findings/FindingList.vue'
import LineRows from '@/pieces/lists/LineRows.vue'
import { useFlow, useLine } from '@/queries/docket'
import { useKeys } from '@/shared/keys'
import { useTab } from '@/shared/tabs'
import { clockTime } from '@/shared/words'
import { common } from '@texts/common'
import { programStation as texts } from '@texts/docket'
import Constants from './Constants.vue'
import FlowChart from './FlowChart.vue'
import HandInPanel from '../HandInPanel.vue'
import OverruleAsk from '@/places/docket/power/OverruleAsk.vue'
import ReasonAsk from '../ReasonAsk.vue'
import RunStudy from './RunStudy.vue'
import StationFrame from '../StationFrame.vue'
import { useDocket } from '../use-docket'
import { useStationKeys } from '../use-station-keys'

const emit = defineEmits<{ next: [] }>()
const { docket, id, busy } = useDocket()
const TABS = {
  program: texts.program,
  'flow-chart': texts.flowChart,
  'run-on-the-twin': texts.runTab,
  'hand-in': common.handIn,
}
const { tab } = useTab(TABS)
const picked = ref<number | null>(null)
const flow = useFlow(
  id,
  computed(() => docket.value?.program?.number),
  computed(() => tab.value === 'flow-chart' && !!docket.value?.program),
)
const chosen = ref(0)
const program = computed(() => docket.value?.program ?? null)
const {
  state,
  judged,
  findingKeys,
  sendBack,
  asking,
  overruling,
  stops,
  mayPass,
  maySendBack,
  passIt,
  overrule,
} = useStationKeys('program', () => program.value?.findings ?? [], chosen)
const clean = computed(
  () => judged.value && !program.value?.findings.some((f) => f.severity === 'stop' || f.severity === 'fix'),
)
const language = computed(() => (program.value?.dialect === 'python' ? 'python' : 'cpp'))
const code = computed({ get: () => program.value?.text ?? '', set: () => undefined })
const marks = computed(() =>
  (program.value?.findings ?? []).flatMap((f) =>
    f.where.line
      ? [
          {
            line: f.where.line,
            column: f.where.column ?? 1,
            text: `${f.seen} ${f.remedy}`,
            severity: f.severity,
          },
        ]
      : [],
  ),
)
const line = computed(() => program.value?.findings[chosen.value]?.where.line ?? null)
/** What of the run is looked at: the moment of a finding, and its line where it has one. */
const moment = ref<number | null>(null)
const looked = ref<{ line: number; moment: number | null } | null>(null)
const line_seen = useLine(
  id,
  computed(() => program.value?.number),
  looked,
)
function show(finding: Schemas['FindingOut']) {
  moment.value = finding.moment_ms ?? null
  looked.value = finding.where.line ? { line: finding.where.line, moment: moment.value } : null
  tab.value = 'run-on-the-twin'
}
watch(line, (now) => (picked.value = now))
useKeys({
  ...findingKeys,
  b: { does: texts.keySendBack, act: () => (asking.value = maySendBack.value) },
  a: { does: texts.keyPass, act: passIt },
  r: {
    does: texts.programOrRun,
    act: () => (tab.value = tab.value === 'run-on-the-twin' ? 'program' : 'run-on-the-twin'),
  },
})
</script>

<template>
  <StationFrame v-if="docket" v-model:tab="tab" :tabs="TABS" @next="emit('next')">
    <template #side>
      <template v-if="program">{{
        texts.attempt(program.number, clockTime(program.at), program.by)
      }}</template>
    </template>
    <template #evidence>
      <HandInPanel v-if="tab === 'hand-in'" kind="program" :given="program" @done="tab = 'program'" />
      <EmptyNote v-else-if="!program" :title="texts.noProgramYet" :text="texts.noProgramHint">
        <NButton type="primary" @click="tab = 'hand-in'">{{ texts.handInForPair }}</NButton>
      </EmptyNote>
      <CodeView
        v-else-if="tab === 'program'"
        v-model="code"
        :language="language"
        :label="texts.programAsHanded"
        :marks="marks"
        :line="line"
      />
      <div
        v-else-if="tab === 'flow-chart'"
        class="beside grid grid-cols-[minmax(0,1fr)_minmax(0,1.1fr)] gap-3.5"
      >
        <CodeView
          v-model="code"
          :language="language"
          :label="texts.flowHint"
          :marks="marks"
          :line="picked"
          @pick="picked = $event"
        />
        <Asked v-slot="{ data: charts }" :query="flow" :what="texts.flowSubject">
          <p v-if="!charts.length" class="soft">
            {{ texts.flowMissing }}
          </p>
          <FlowChart v-else :charts="charts" :line="picked" @pick="picked = $event" />
        </Asked>
      </div>
      <NFlex v-else vertical class="run">
        <p v-if="program.not_run" class="soft">{{ program.not_run }}</p>
        <Asked v-if="looked" v-slot="{ data: seen }" :query="line_seen" :what="texts.keyLineInRun">
          <LineRows :seen="seen" :moment="looked.moment" />
        </Asked>
        <RunStudy
          v-if="program.trace && program.behaviour !== undefined"
          :trace="program.trace"
          :behaviour="program.behaviour"
          :thresholds="docket.exercise.thresholds"
          :unit="docket.exercise.steps[0]?.unit ?? ''"
          :moment="moment"
        />
      </NFlex>
    </template>
    <template #findings>
      <FindingList
        v-if="program?.judged"
        v-model:chosen="chosen"
        :findings="program.findings"
        :shows="!!program.trace"
        :good="texts.nothingFound"
        @show="show"
      />
      <Constants v-if="program?.constants?.length" :constants="program.constants" />
      <h3 v-if="docket.exercise.behaviour.length" class="mt-4.5 mb-1">{{ common.asked }}</h3>
      <p v-for="statement in docket.exercise.behaviour" :key="statement">{{ statement }}</p>
      <BeforeItRuns :checks="program?.checklist ?? []" />
    </template>
    <template #decisions>
      <NButton
        type="primary"
        :class="{ line: clean }"
        :disabled="!maySendBack || busy"
        @click="asking = true"
      >
        {{ texts.sendBack }} <kbd>B</kbd>
      </NButton>
      <NButton type="primary" :class="{ line: !clean }" :disabled="!mayPass || busy" @click="passIt">
        {{ stops.length ? texts.overruleTheStop : texts.passTheProgram }} <kbd>A</kbd>
      </NButton>
      <span v-if="state === 'passed'" class="soft">{{ texts.passedReadings }}</span>
    </template>
    <template #keys>
      <span class="soft">{{ texts.run }} <kbd>R</kbd> {{ texts.finding }} <kbd>↓</kbd> <kbd>↑</kbd></span>
    </template>
  </StationFrame>
  <ReasonAsk
    v-model:show="asking"
    :title="texts.sendTheProgram"
    :label="texts.messageLabel"
    :act="texts.sendBack"
    optional
    @done="sendBack"
  />
  <OverruleAsk v-model:show="overruling" :stops="stops" :what="texts.programStops" @done="overrule" />
</template>
