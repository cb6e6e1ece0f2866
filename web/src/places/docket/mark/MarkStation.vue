<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import Unfold from '@/pieces/controls/Unfold.vue'
import LinkButton from '@/pieces/controls/LinkButton.vue'
import Callout from '@/pieces/states/Callout.vue'
import Asked from '@/pieces/states/Asked.vue'
import { useDocketMarks } from '@/queries/marks'
import { useKeys } from '@/shared/keys'
import SeverityTag from '@/pieces/findings/SeverityTag.vue'
import { clockTime } from '@/shared/words'
import Sentence from '@/pieces/Sentence.vue'
import { common } from '@texts/common'
import { markStation as texts } from '@texts/docket'
import CriterionRow from './CriterionRow.vue'
import HistoryPanel from './HistoryPanel.vue'
import ReasonAsk from '../ReasonAsk.vue'
import StationFrame from '../StationFrame.vue'
import StudentRow from './StudentRow.vue'
import { useDocket } from '../use-docket'
import { and } from '@texts/language'
import { decidedWords } from '@texts/words'

const emit = defineEmits<{ next: [] }>()
const { docket, id, closeMarking, reopenMarking, may, busy } = useDocket()
const reopening = ref(false)
const history = ref(false)
const asked = useDocketMarks(id)
const marks = asked.data
const mayClose = computed(() => may('close', 'mark') && !docket.value?.judging)
const mayMark = computed(() => may('mark', 'mark'))
const toDecide = computed(() =>
  (marks.value?.criteria ?? []).filter((row) => row.to_decide && row.counts === null).map((row) => row.title),
)
const looking = ref(false)
/** A log that is worth a second look asks for a word before the marking is closed. */
function close() {
  if (marks.value?.second_look) looking.value = true
  else void closeMarking()
}
useKeys({ m: { does: texts.keyClose, act: () => void (mayClose.value && close()) } })
</script>

<template>
  <StationFrame v-if="docket" @next="emit('next')">
    <template #evidence>
      <Asked v-if="!marks" :query="asked" :what="texts.evidence" />
      <template v-else>
        <header class="total flex flex-wrap items-baseline gap-x-3.5 border-b border-b-line pb-2">
          <h2>{{ marks.closed ? texts.closed : marks.so_far ? texts.proposedSoFar : texts.proposed }}</h2>
          <span class="text-lg"
            ><Sentence :text="texts.totalOf(marks.of)"
              ><template #total
                ><b class="text-2xl font-bold">{{ marks.total }}</b></template
              >
            </Sentence></span
          >
          <span class="soft">{{ texts.schemeRuleSet(marks.scheme, marks.rules_version) }}</span>
        </header>
        <Callout v-if="marks.second_look" tone="check" plain class="my-2.5">
          <p v-for="look in marks.to_look_at" :key="look.rule + look.seen" class="my-1">
            <SeverityTag severity="check" /> {{ look.seen }} <span class="soft">{{ look.remedy }}</span>
          </p>
          <p v-if="!marks.to_look_at.length" class="my-1">
            <SeverityTag severity="check" /> {{ texts.sameReadings }}
          </p>
          <p v-if="marks.decided" class="my-1">{{ texts.decidedAboutIt(marks.decided) }}</p>
          <p v-else class="my-1">
            <RouterLink :to="`/dockets/${id}/readings`">{{ texts.secondLookLink }}</RouterLink>
            <span class="soft beside ml-[0.35em]">{{ texts.secondLookHint }}</span>
          </p>
        </Callout>
        <Callout v-if="toDecide.length && !marks.closed" tone="check" plain class="my-2.5">
          {{ texts.openCriteria(and(toDecide)) }}
        </Callout>
        <CriterionRow v-for="row in marks.criteria" :key="row.name" :row="row" :editable="mayMark" />
      </template>
    </template>
    <template #findings>
      <h2>{{ texts.students }}</h2>
      <p class="soft">{{ texts.studentsHint }}</p>
      <StudentRow
        v-for="student in marks?.students ?? []"
        :key="student.id"
        :student="student"
        :editable="mayMark"
      />
      <template v-if="marks?.earlier.length">
        <h3 class="mt-4.5">{{ texts.closedBefore }}</h3>
        <p v-for="before in marks.earlier" :key="before.at">
          {{ texts.closedBeforeBy(before.total, before.of, before.by, before.reopened_by, before.because) }}
        </p>
      </template>
      <h3 class="mt-4.5">{{ texts.decisionsHeading }}</h3>
      <ul class="log pl-4.5 my-1.5 mx-0">
        <li v-for="(decision, index) in docket.decisions" :key="index" :class="{ undone: decision.undone }">
          <b>{{ decision.by }}</b> {{ decidedWords(decision) }}
          <span v-if="decision.reason" class="soft">“{{ decision.reason }}”</span>
        </li>
        <li v-if="!docket.decisions.length" class="soft">{{ texts.nothingYet }}</li>
      </ul>
      <Unfold v-model:open="history" :title="texts.everythingThatHappened">
        <HistoryPanel v-if="history" />
      </Unfold>
    </template>
    <template #decisions>
      <NButton v-if="!marks?.closed" type="primary" :disabled="!mayClose || busy" @click="close">
        {{ texts.closeTheMarking }} <kbd>M</kbd>
      </NButton>
      <NButton v-else type="primary" ghost :disabled="!may('reopen', 'mark')" @click="reopening = true">
        {{ texts.reopen }}
      </NButton>
      <LinkButton :to="`/dockets/${id}/feedback`" ghost>{{ texts.feedbackSheet }}</LinkButton>
      <span class="soft">{{
        marks?.closed ? texts.closedAtNothing(clockTime(marks.closed_at!)) : texts.closeHint
      }}</span>
    </template>
  </StationFrame>
  <ReasonAsk
    v-model:show="looking"
    :title="texts.secondLookHeading"
    :label="texts.aboutThisLog"
    :act="texts.closeTheMarking"
    @done="closeMarking"
  />
  <ReasonAsk
    v-model:show="reopening"
    :title="texts.reopenTheMarking"
    :label="common.why"
    :act="texts.reopen"
    @done="reopenMarking"
  />
</template>

<style scoped>
.undone {
  text-decoration: line-through;
  color: var(--soft);
}
</style>
