<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { ask, client } from '@/api/client'
import { useKeys } from '@/shared/keys'
import CriterionRow from './CriterionRow.vue'
import ReasonAsk from './ReasonAsk.vue'
import StationFrame from './StationFrame.vue'
import StudentRow from './StudentRow.vue'
import { useDocket } from './use-docket'

const emit = defineEmits<{ next: [] }>()
const { docket, id, closeMarking, reopen, busy } = useDocket()
const reopening = ref(false)
const { data: marks } = useQuery({
  queryKey: ['docket-marks', id],
  queryFn: () =>
    ask(client.GET('/api/dockets/{docket_id}/marks', { params: { path: { docket_id: id.value } } })),
})
const mayClose = computed(
  () =>
    !!docket.value?.may_overrule &&
    !marks.value?.closed &&
    !!docket.value?.stations.find((s) => s.station === 'mark')?.state,
)
useKeys({ m: { does: 'close the marking', act: () => void (mayClose.value && closeMarking()) } })
</script>

<template>
  <StationFrame v-if="docket" @next="emit('next')">
    <template #evidence>
      <p v-if="!marks" class="soft" aria-busy="true">Gathering the evidence…</p>
      <template v-else>
        <header class="total">
          <h2>{{ marks.closed ? 'Marked' : 'Proposed' }}</h2>
          <span class="sum"
            ><b>{{ marks.total }}</b> of {{ marks.of }}</span
          >
          <span class="soft">scheme {{ marks.scheme }}, rule set {{ marks.rules_version }}</span>
        </header>
        <CriterionRow
          v-for="row in marks.criteria"
          :key="row.name"
          :row="row"
          :editable="docket.may_overrule && !marks.closed"
        />
      </template>
    </template>
    <template #findings>
      <h2>Students</h2>
      <p class="soft">Each gets the docket's mark; an absent student gets none.</p>
      <StudentRow
        v-for="student in marks?.students ?? []"
        :key="student.id"
        :student="student"
        :editable="docket.may_overrule && !marks?.closed"
      />
      <h3 class="gap">Decided on the way</h3>
      <ul class="log">
        <li v-for="(decision, index) in docket.decisions" :key="index">
          <b>{{ decision.station }}</b> {{ decision.what }} by {{ decision.by }}
          <span v-if="decision.reason" class="soft">“{{ decision.reason }}”</span>
        </li>
        <li v-if="!docket.decisions.length" class="soft">Nothing yet.</li>
      </ul>
    </template>
    <template #decisions>
      <button v-if="!marks?.closed" class="btn" :disabled="!mayClose || busy" @click="closeMarking">
        Close the marking <kbd>M</kbd>
      </button>
      <button v-else class="btn line" :disabled="!docket.may_overrule" @click="reopening = true">
        Reopen
      </button>
      <RouterLink class="btn line" :to="`/dockets/${id}/feedback`">Feedback sheet</RouterLink>
      <span class="soft">{{
        marks?.closed ? 'The pair can see it.' : 'The pair sees it once it is closed.'
      }}</span>
    </template>
  </StationFrame>
  <ReasonAsk
    v-model:show="reopening"
    title="Reopen the marking"
    label="Why"
    act="Reopen"
    @done="(why) => reopen('mark', why)"
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
.log {
  padding-left: 18px;
  margin: 6px 0;
}
</style>
