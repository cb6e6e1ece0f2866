<script setup lang="ts">
import { NButton, NCheckbox } from 'naive-ui'
import { computed, ref } from 'vue'
import BoardMap from '@/pieces/board/BoardMap.vue'
import Callout from '@/pieces/states/Callout.vue'
import EmptyNote from '@/pieces/states/EmptyNote.vue'
import SeverityTag from '@/pieces/findings/SeverityTag.vue'
import { useKeys } from '@/shared/keys'
import { clockTime } from '@/shared/words'
import MeasureForm from '@/pieces/MeasureForm.vue'
import Sentence from '@/pieces/Sentence.vue'
import Sheet from '@/pieces/states/Sheet.vue'
import { common } from '@texts/common'
import { powerStation as texts } from '@texts/docket'
import MeterWalk from './MeterWalk.vue'
import ReasonAsk from '../ReasonAsk.vue'
import StationFrame from '../StationFrame.vue'
import { useDocket } from '../use-docket'

const emit = defineEmits<{ next: [] }>()
const { docket, clear, reopen, measure, may, busy } = useDocket()
const compared = ref(false)
const overruling = ref(false)
const reopening = ref(false)

const wiring = computed(() => docket.value?.wiring ?? null)
const toMeasure = computed(() => docket.value?.measurables.filter((m) => !m.name.startsWith('step:')) ?? [])
const stops = computed(() => wiring.value?.findings.filter((f) => f.severity === 'stop') ?? [])
const others = computed(() => wiring.value?.findings.filter((f) => f.severity !== 'stop') ?? [])
const cleared = computed(() => docket.value?.clearance ?? null)
const mayClear = computed(
  () =>
    !!wiring.value?.judged &&
    may('clear', 'power') &&
    !cleared.value &&
    compared.value &&
    !stops.value.length &&
    !busy.value,
)

async function clearIt(reason = '') {
  if (!wiring.value) return
  if (await clear(wiring.value.number, compared.value, reason)) compared.value = false
}
useKeys({
  p: { does: texts.keyClear, act: () => void (mayClear.value && clearIt()) },
  c: { does: texts.keyCompared, act: () => (compared.value = !compared.value) },
  o: {
    does: texts.overruleAStop,
    act: () => (overruling.value = stops.value.length > 0 && compared.value && !!docket.value?.may_overrule),
  },
})
</script>

<template>
  <StationFrame v-if="docket" @next="emit('next')">
    <template #evidence>
      <EmptyNote v-if="!wiring" :title="texts.noWiring" :text="texts.clearanceNames" />
      <div v-else class="power">
        <Callout v-if="cleared" tone="good">
          <h2>{{ texts.clearedForPower }}</h2>
          <p>
            {{ texts.clearedWiring(cleared.wiring_attempt, cleared.kit, cleared.by, clockTime(cleared.at)) }}
          </p>
          <p v-if="cleared.overruled.length">
            <b>{{ texts.overruledStop }}</b> {{ cleared.reason }}
          </p>
        </Callout>
        <h2 v-else>{{ texts.beforePower }}</h2>
        <template v-if="!cleared">
          <p>
            <Sentence :text="texts.clearsWhat(!!wiring.bench?.board)">
              <template #number
                ><b>{{ texts.wiringAttempt(wiring.number) }}</b></template
              >
              <template #tag
                ><b>{{ texts.kit(docket.kit?.tag ?? '–') }}</b></template
              >
            </Sentence>
          </p>
          <div v-for="stop in stops" :key="stop.seen" class="halt">
            <SeverityTag severity="stop" />
            <p>{{ stop.seen }}</p>
            <p>
              <b>{{ texts.remedy }}</b> {{ stop.remedy }}
            </p>
          </div>
          <NCheckbox v-model:checked="compared" class="tick"
            >{{ texts.iComparedSupply }} <kbd>C</kbd></NCheckbox
          >
        </template>
        <MeterWalk
          v-if="!cleared && wiring.walk?.steps.length"
          :walk="wiring.walk"
          :known="docket.measurements"
          :save="measure"
        />
        <div v-if="toMeasure.length" class="measured">
          <h3>{{ texts.measurementsHeading }}</h3>
          <MeasureForm
            v-for="what in toMeasure"
            :key="what.name"
            :name="what.name"
            :label="what.label"
            :unit="what.unit"
            :agrees="what.agrees"
            :said="what.said"
            :known="docket.measurements"
            :save="measure"
          />
        </div>
        <div v-if="docket.exercise.cautions.length">
          <h3>{{ common.takeCare }}</h3>
          <ul class="cautions">
            <li v-for="caution in docket.exercise.cautions" :key="caution">{{ caution }}</li>
          </ul>
        </div>
      </div>
    </template>
    <template #findings>
      <template v-if="wiring">
        <h2>{{ texts.compareHeading }}</h2>
        <ul v-if="others.length" class="plainlist">
          <li v-for="finding in others" :key="finding.seen">
            <SeverityTag :severity="finding.severity" /> {{ finding.seen }}
          </li>
        </ul>
        <Sheet v-if="wiring.bench" pad="none" class="mt-2.5">
          <BoardMap
            class="py-2"
            :bench="wiring.bench"
            :lit="stops[0]?.where"
            :severity="stops[0]?.severity"
          />
        </Sheet>
      </template>
    </template>
    <template #decisions>
      <template v-if="cleared">
        <NButton type="primary" ghost :disabled="!docket.may_overrule" @click="reopening = true">
          {{ texts.withdrawTheClearance }}
        </NButton>
        <span class="soft">{{ texts.cleared }}</span>
      </template>
      <template v-else>
        <NButton type="primary" :disabled="!mayClear" @click="clearIt()">
          {{ texts.clearForPower }} <kbd>P</kbd>
        </NButton>
        <template v-if="stops.length">
          <NButton
            type="primary"
            ghost
            :disabled="!compared || !docket.may_overrule"
            @click="overruling = true"
          >
            {{ texts.overrule }} <kbd>O</kbd>
          </NButton>
          <span class="soft">{{ texts.stopsAreOpen(stops.length) }}</span>
        </template>
        <span v-else-if="!compared && wiring" class="soft">{{ texts.tickTheComparison }}</span>
      </template>
    </template>
  </StationFrame>
  <ReasonAsk
    v-model:show="overruling"
    :title="texts.overruleTheStop"
    :text="texts.overruleConsequence"
    :label="texts.overruleReason"
    :act="texts.overruleAndClear"
    @done="clearIt"
  />
  <ReasonAsk
    v-model:show="reopening"
    :title="texts.withdrawTheClearance"
    :label="common.why"
    :act="texts.takeItBack"
    @done="(why) => reopen('power', why)"
  />
</template>

<style scoped>
.power {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
}
.voided,
.halt {
  background: var(--stop-bg);
  border-radius: var(--radius);
  padding: 12px 16px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 5px;
}
.voided {
  color: var(--stop);
}
.tick {
  align-items: center;
  padding: 12px 14px;
  border: 1.5px solid var(--act);
  border-radius: var(--radius);
  font-weight: 600;
  display: flex;
}
.measured {
  border-top: 1px solid var(--line);
  padding-top: 12px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 10px;
}
.plainlist {
  list-style: none;
  padding: 0;
  margin: 8px 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
}
.cautions {
  padding-left: 18px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 5px;
  margin: 8px 0;
}
</style>
