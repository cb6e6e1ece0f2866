<script setup lang="ts">
import { computed, ref } from 'vue'
import Asked from '@/pieces/Asked.vue'
import { useDocketMarks } from '@/queries/marks'
import { useKeys } from '@/shared/keys'
import SeverityTag from '@/pieces/SeverityTag.vue'
import { clockTime, decidedWords } from '@/shared/words'
import CriterionRow from './CriterionRow.vue'
import HistoryPanel from './HistoryPanel.vue'
import ReasonAsk from './ReasonAsk.vue'
import StationFrame from './StationFrame.vue'
import StudentRow from './StudentRow.vue'
import { useDocket } from './use-docket'

const emit = defineEmits<{ next: [] }>()
const { docket, id, closeMarking, reopenMarking, may, busy } = useDocket()
const reopening = ref(false)
const history = ref(false)
const asked = useDocketMarks(id)
const marks = asked.data
const mayClose = computed(() => may('close', 'mark') && !docket.value?.judging)
const mayMark = computed(() => may('mark', 'mark'))
useKeys({ m: { does: 'close the marking', act: () => void (mayClose.value && closeMarking()) } })
</script>

<template>
  <StationFrame v-if="docket" @next="emit('next')">
    <template #evidence>
      <Asked v-if="!marks" :query="asked" what="the evidence" />
      <template v-else>
        <header class="total">
          <h2>{{ marks.closed ? 'Closed' : marks.so_far ? 'Proposed so far' : 'Proposed' }}</h2>
          <span class="sum"
            ><b>{{ marks.total }}</b> of {{ marks.of }}</span
          >
          <span class="soft">scheme {{ marks.scheme }}, rule set {{ marks.rules_version }}</span>
        </header>
        <p v-if="marks.second_look" class="look">
          <SeverityTag severity="check" /> Another bench has the same readings.
          <RouterLink :to="`/dockets/${id}/readings`">Look at them together</RouterLink> before you mark.
        </p>
        <CriterionRow v-for="row in marks.criteria" :key="row.name" :row="row" :editable="mayMark" />
      </template>
    </template>
    <template #findings>
      <h2>Students</h2>
      <p class="soft">Each gets the docket's mark; an absent student gets none.</p>
      <StudentRow
        v-for="student in marks?.students ?? []"
        :key="student.id"
        :student="student"
        :editable="mayMark"
      />
      <template v-if="marks?.earlier.length">
        <h3 class="gap">Closed before</h3>
        <p v-for="before in marks.earlier" :key="before.at">
          {{ before.total }} of {{ before.of }}, by {{ before.by }}; reopened by {{ before.reopened_by }}: “{{
            before.because
          }}”
        </p>
      </template>
      <h3 class="gap">Decided on the way</h3>
      <ul class="log">
        <li v-for="(decision, index) in docket.decisions" :key="index" :class="{ undone: decision.undone }">
          <b>{{ decision.by }}</b> {{ decidedWords(decision) }}
          <span v-if="decision.reason" class="soft">“{{ decision.reason }}”</span>
        </li>
        <li v-if="!docket.decisions.length" class="soft">Nothing yet.</li>
      </ul>
      <details @toggle="history = ($event.target as HTMLDetailsElement).open">
        <summary>Everything that happened</summary>
        <HistoryPanel v-if="history" />
      </details>
    </template>
    <template #decisions>
      <button v-if="!marks?.closed" class="btn" :disabled="!mayClose || busy" @click="closeMarking">
        Close the marking <kbd>M</kbd>
      </button>
      <button v-else class="btn line" :disabled="!may('reopen', 'mark')" @click="reopening = true">
        Reopen
      </button>
      <RouterLink class="btn line" :to="`/dockets/${id}/feedback`">Feedback sheet</RouterLink>
      <span class="soft">{{
        marks?.closed
          ? `Closed at ${clockTime(marks.closed_at!)}; nothing changes it now. The pair can see it.`
          : 'The pair sees it once it is closed.'
      }}</span>
    </template>
  </StationFrame>
  <ReasonAsk
    v-model:show="reopening"
    title="Reopen the marking"
    label="Why"
    act="Reopen"
    @done="reopenMarking"
  />
</template>

<style scoped>
.total {
  display: flex;
  align-items: baseline;
  gap: 14px;
  border-bottom: 1px solid var(--line);
  padding-bottom: 8px;
}
.sum {
  font-size: 17px;
}
.sum b {
  font-size: 30px;
  font-weight: 700;
}
.gap {
  margin-top: 18px;
}
.look {
  background: var(--check-bg);
  border-radius: var(--radius);
  padding: 8px 12px;
  margin: 10px 0;
}
.undone {
  text-decoration: line-through;
  color: var(--soft);
}
details {
  margin-top: 14px;
}
summary {
  cursor: pointer;
  color: var(--act);
}
.log {
  padding-left: 18px;
  margin: 6px 0;
}
</style>
