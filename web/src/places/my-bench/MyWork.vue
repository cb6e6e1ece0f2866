<script setup lang="ts">
// Wiring, program or readings of a pair: hints on what was handed in, and the next attempt.
import { NButton, NFlex } from 'naive-ui'
import { computed, ref } from 'vue'
import { HandIn, lazy } from '@/pieces/lazy'
import ChangeList from '@/pieces/findings/ChangeList.vue'
import BoardMap from '@/pieces/board/BoardMap.vue'
import BeforeItRuns from '@/pieces/findings/BeforeItRuns.vue'
import Callout from '@/pieces/states/Callout.vue'
import { clockTime } from '@/shared/words'
import Sentence from '@/pieces/Sentence.vue'
import { common } from '@texts/common'
import { and } from '@texts/language'
import { myWork as texts } from '@texts/my-bench'
import HintList from './HintList.vue'
import type { Schemas } from '@/api/client'
import { hasDraft, newToken } from '@/shared/drafts'
import RecipeList from './RecipeList.vue'
import type { MyDocket } from './use-my-docket'
import { useMyDocket } from './use-my-docket'

const Prediction = lazy(() => import('./Prediction.vue'))
const LivePanel = lazy(() => import('@/pieces/live/LivePanel.vue'))
const SheetTable = lazy(() => import('@/pieces/sheet/SheetTable.vue'))
const OwnReadings = lazy(() => import('./OwnReadings.vue'))
const HintSteps = lazy(() => import('./HintSteps.vue'))
const MeasureForm = lazy(() => import('@/pieces/MeasureForm.vue'))

const props = defineProps<{ docket: MyDocket; kind: 'wiring' | 'program' | 'readings' }>()
const { handIn, check, withdraw, ask, measure, busy } = useMyDocket()
const given = computed(() => props.docket[props.kind] ?? null)
const state = computed(() => props.docket.stations.find((s) => s.station === props.kind)?.state ?? null)
const open = computed(() => props.kind !== 'readings' || props.docket.cleared)
const printed = computed(() =>
  and(props.docket.exercise.readings.map((r) => texts.saysTheUnit(r.says, r.unit))),
)
// What was begun and not handed in is open again after a reload.
const writing = ref(
  (state.value !== 'asks' && state.value !== 'passed') || hasDraft(props.docket.id, props.kind),
)
const drawn = ref<Schemas['BenchOut'] | null>(null)
const bench = computed(() => (writing.value ? drawn.value : null) ?? props.docket.wiring?.bench ?? null)
const hints = computed(() =>
  props.kind === 'program' ? (props.docket.program?.stepped ?? []) : (given.value?.hints ?? []),
)
const found = computed(() =>
  hints.value.flatMap((h) =>
    h.line
      ? [{ line: h.line, column: h.column ?? 1, text: h.hint || texts.lookHere, severity: h.severity }]
      : [],
  ),
)
const chosen = ref(0)
const hint = computed(() => given.value?.hints[chosen.value] ?? null)
const lit = computed(() => (hint.value ? { parts: hint.value.parts, places: [], nets: [] } : null))

const isOf = (name: string, step: string) => name === `step:${step}` || name.startsWith(`step:${step}|`)

async function send(text: string, token: string, basedOn: number) {
  await handIn(props.kind, text, token, basedOn)
  writing.value = false
}
</script>

<template>
  <Prediction v-if="kind === 'readings' && !docket.readings && docket.wiring" :docket="docket" />
  <p v-if="!open" class="soft">{{ texts.powerFirst }}</p>
  <template v-else>
    <section v-if="given" class="given grid grid-cols-1 gap-3">
      <p class="soft">
        {{ texts.attemptOf(given.number, given.by, clockTime(given.at)) }}
      </p>
      <section v-if="given.to_come?.length" class="bg-sunk rounded py-2.5 px-3.5">
        <h3>{{ texts.stillToCome }}</h3>
        <ul class="mt-1 mb-0 mx-0 pl-4.5">
          <li v-for="line in given.to_come" :key="line">{{ line }}</li>
        </ul>
      </section>
      <HintSteps
        v-if="kind === 'program' && docket.program?.stepped.length"
        :docket="docket.id"
        :program="docket.program"
      />
      <HintList v-else-if="given.hints.length" v-model:chosen="chosen" :hints="given.hints" />
      <p v-else-if="!given.judged" class="soft" role="status">{{ texts.beingChecked }}</p>
      <Callout v-else-if="kind !== 'readings' && !docket.voided && !given.to_come?.length" tone="good">
        {{ texts.nothingStandsOut }}
      </Callout>
      <ul
        v-if="kind === 'readings' && docket.readings?.notes.length"
        class="bg-check-bg text-check rounded py-2 pr-3.5 pl-7.5 m-0"
        :aria-label="texts.aboutYourLog"
      >
        <li v-for="note in docket.readings.notes" :key="note">{{ note }}</li>
      </ul>
      <ChangeList
        v-if="kind === 'wiring' && docket.wiring?.changes"
        :changes="docket.wiring.changes"
        :since="docket.wiring.number - 1"
      />
      <div
        v-if="kind === 'readings' && docket.sheet && !docket.sheet.reason"
        class="scroll overflow-x-auto"
        tabindex="0"
        role="region"
        :aria-label="texts.sheetAndReadings"
      >
        <SheetTable
          :sheet="docket.sheet"
          :readings="docket.steps"
          :predicted="docket.prediction?.predictions"
        />
      </div>
      <OwnReadings v-else-if="kind === 'readings' && docket.steps.length" :docket="docket" />
      <NFlex size="small" class="acts">
        <NButton v-if="state === 'asks'" type="primary" ghost :disabled="busy" @click="withdraw(kind)">
          {{ texts.withdrawTheRequest }}
        </NButton>
        <NButton
          v-if="state === 'working' || state === 'sent-back'"
          type="primary"
          ghost
          :disabled="busy"
          @click="ask(kind)"
        >
          {{ texts.requestLook(given.number) }}
        </NButton>
        <NButton v-if="!writing" type="primary" ghost @click="writing = true">
          {{ texts.writeAttempt(given.number + 1) }}
        </NButton>
      </NFlex>
    </section>
    <RecipeList
      v-if="kind === 'wiring' && (writing || !given)"
      :recipe="docket.exercise.recipe"
      :placed="bench?.parts.map((p) => p.ref) ?? []"
    />
    <section v-if="kind === 'wiring' && bench?.parts.length" class="map" :aria-label="texts.boardMap">
      <p v-if="writing && drawn" class="soft">{{ texts.mapHint }}</p>
      <BoardMap :bench="bench" :lit="writing && drawn ? null : lit" :severity="hint?.severity" />
    </section>
    <LivePanel
      v-if="kind === 'readings' && (writing || !given)"
      mine
      :docket="docket.id"
      :steps="docket.exercise.steps.map((s) => s.name ?? '')"
      :baud="docket.exercise.baud"
      :unit="docket.exercise.readings[0]?.unit ?? ''"
      @done="send($event, newToken(), given?.number ?? 0)"
    />
    <HandIn
      v-if="writing || !given"
      :docket="docket.id"
      :kind="kind"
      :given="given"
      :board="docket.exercise.board"
      :language="docket.exercise.language === 'python' ? 'python' : 'cpp'"
      :recipe="docket.exercise.recipe"
      :steps="docket.exercise.steps.map((s) => s.name ?? '')"
      :check="kind === 'wiring' ? check : undefined"
      :found="found"
      :send="send"
      @checked="drawn = $event.bench"
    />
    <section v-if="kind === 'program'" class="border-t border-t-line pt-2.5">
      <h3>{{ common.asked }}</h3>
      <p v-for="statement in docket.exercise.behaviour" :key="statement">{{ statement }}</p>
      <p class="soft">
        {{ texts.printHint(printed, docket.exercise.language === 'cpp' ? docket.exercise.baud : null) }}
      </p>
      <p v-if="docket.exercise.own_threshold">
        <Sentence :text="texts.ownThreshold">
          <template #link
            ><RouterLink to="/sums/threshold">{{ texts.thresholdTask }}</RouterLink></template
          >
        </Sentence>
      </p>
      <BeforeItRuns :checks="docket.checklist" />
    </section>
    <section v-if="kind === 'readings'" class="border-t border-t-line pt-2.5">
      <h3>{{ texts.steps }}</h3>
      <ol>
        <li v-for="step in docket.exercise.steps" :key="step.name">
          <b>{{ step.name }}</b> <span class="soft">{{ step.how }}</span>
          <MeasureForm
            v-for="what in docket.measurables.filter((m) => isOf(m.name, step.name!))"
            :key="what.name"
            :name="what.name"
            :label="what.name.includes('|') ? what.label : texts.givenLabel"
            :unit="what.unit"
            :known="docket.measurements"
            :save="measure"
          />
        </li>
      </ol>
    </section>
  </template>
</template>
