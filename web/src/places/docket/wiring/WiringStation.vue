<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import ChangeList from '@/pieces/findings/ChangeList.vue'
import BoardMap from '@/pieces/board/BoardMap.vue'
import NetList from '@/pieces/board/NetList.vue'
import EmptyNote from '@/pieces/states/EmptyNote.vue'
import FindingList from '@/pieces/findings/FindingList.vue'
import { useKeys } from '@/shared/keys'
import { useTab } from '@/shared/tabs'
import { clockTime } from '@/shared/words'
import { common } from '@texts/common'
import { wiringStation as texts } from '@texts/docket'
import HandInPanel from '../HandInPanel.vue'
import OverruleAsk from '@/places/docket/power/OverruleAsk.vue'
import ReasonAsk from '../ReasonAsk.vue'
import StationFrame from '../StationFrame.vue'
import { useDocket } from '../use-docket'
import { useStationKeys } from '../use-station-keys'
import ByItself from './ByItself.vue'
import Compare from './Compare.vue'
import Currents from './Currents.vue'
import Resistors from './Resistors.vue'

const emit = defineEmits<{ next: [] }>()
const { docket, busy } = useDocket()
const TABS = {
  'board-map': texts.boardMap,
  currents: texts.currents,
  resistors: texts.resistors,
  compare: texts.compare,
  'hand-in': common.handIn,
}
const LOOKS = { currents: Currents, resistors: Resistors, compare: Compare }
const { tab, next: nextTab } = useTab(TABS)
const look = computed(() => LOOKS[tab.value as keyof typeof LOOKS])
const chosen = ref(0)
const wiring = computed(() => docket.value?.wiring ?? null)
const finding = computed(() => wiring.value?.findings[chosen.value] ?? null)
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
} = useStationKeys('wiring', () => wiring.value?.findings ?? [], chosen)
const clean = computed(
  () => judged.value && !wiring.value?.findings.some((f) => f.severity === 'stop' || f.severity === 'fix'),
)

function showPart(refName: string) {
  const at = wiring.value?.findings.findIndex((f) => f.where.parts?.includes(refName)) ?? -1
  if (at >= 0) chosen.value = at
}
useKeys({
  ...findingKeys,
  b: { does: texts.keySendBack, act: () => (asking.value = maySendBack.value) },
  e: { does: texts.keyEnterWiring, act: () => (tab.value = 'hand-in') },
  t: { does: texts.nextView, act: nextTab },
  a: { does: texts.keyPass, act: passIt },
})
</script>

<template>
  <StationFrame v-if="docket" v-model:tab="tab" :tabs="TABS" @next="emit('next')">
    <template #side>
      <template v-if="wiring"
        ><span :title="texts.handedInBy(wiring.by)">{{
          texts.attempt(wiring.number, clockTime(wiring.at))
        }}</span></template
      >
    </template>
    <template #evidence>
      <HandInPanel v-if="tab === 'hand-in'" kind="wiring" :given="wiring" @done="tab = 'board-map'" />
      <EmptyNote v-else-if="!wiring" :title="texts.noWiringYet" :text="texts.noWiringHint">
        <NButton type="primary" @click="tab = 'hand-in'">{{ texts.enterTheWiring }}</NButton>
      </EmptyNote>
      <p v-else-if="!wiring.bench" class="soft" aria-busy="true">
        {{ wiring.judged ? texts.notDrawn : texts.checkRunning }}
      </p>
      <BoardMap
        v-else-if="tab === 'board-map'"
        :bench="wiring.bench"
        :lit="finding?.where"
        :severity="finding?.severity"
        @choose-part="showPart"
      />
      <component :is="look" v-else :attempt="wiring.number" :lit="finding?.where" />
    </template>
    <template #findings>
      <FindingList
        v-if="wiring?.judged"
        v-model:chosen="chosen"
        :findings="wiring.findings"
        :good="texts.netsAndCurrents"
      />
      <ByItself v-if="wiring?.by_itself?.length" :steps="wiring.by_itself" />
      <ChangeList
        v-if="wiring?.changes"
        class="changes"
        :changes="wiring.changes"
        :since="wiring.number - 1"
      />
      <section v-if="wiring?.nets.length && tab === 'board-map'" class="mt-5.5 grid grid-cols-1 gap-2">
        <h3>{{ texts.netsAsSolved }}</h3>
        <NetList :nets="wiring.nets" :lit="finding?.where" />
      </section>
      <p v-if="wiring?.judged" class="soft mt-3 text-sm">{{ texts.ruleSet(wiring.rules_version) }}</p>
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
        {{ stops.length ? texts.overruleTheStop : texts.passTheWiring }} <kbd>A</kbd>
      </NButton>
      <span v-if="state === 'passed'" class="soft">{{ texts.passedPowerComes }}</span>
      <span v-else-if="!clean" class="soft">{{ texts.hintsIncluded }}</span>
    </template>
    <template #keys
      ><span class="soft">{{ texts.finding }} <kbd>↓</kbd> <kbd>↑</kbd></span></template
    >
  </StationFrame>
  <ReasonAsk
    v-model:show="asking"
    :title="texts.sendBackHeading"
    :label="texts.messageLabel"
    :act="texts.sendBack"
    optional
    @done="sendBack"
  />
  <OverruleAsk v-model:show="overruling" :stops="stops" :what="texts.wiring" @done="overrule" />
</template>

<style scoped>
.changes {
  margin-top: 22px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
}
</style>
