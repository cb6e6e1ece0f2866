<script setup lang="ts">
// What the exercise asks against what the twin did, step by step and in the sweeps.
import { NButton, NTable } from 'naive-ui'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { capital, fixed } from '@/shared/words'
import { common } from '@texts/common'
import { runTable as texts } from '@texts/docket'

const props = defineProps<{ behaviour: Schemas['BehaviourOut']; unit: string }>()
/** The stretch that is looked at, by name. */
const picked = defineModel<string | null>('picked', { required: true })
/** `D1, BZ1 off`: outputs of one state together. */
function said(states: Record<string, string>): string {
  const by = new Map<string, string[]>()
  for (const [ref, state] of Object.entries(states)) by.set(state, [...(by.get(state) ?? []), ref])
  return [...by].map(([state, refs]) => `${refs.join(', ')} ${state}`).join('; ')
}
const tags = computed(() => props.behaviour.outcomes.some((row) => row.text))
function given(row: Schemas['BehaviourOutcomeOut']): string {
  return tags.value ? row.text || 'none' : `${fixed(row.stimulus, 1)} ${props.unit}`
}
function switched(at: Record<string, number>): string {
  return said(
    Object.fromEntries(
      Object.entries(at).map(([ref, value]) => [ref, `at\u00a0${fixed(value, 1)}\u00a0${props.unit}`]),
    ),
  )
}
</script>

<template>
  <NTable :bordered="false" size="small">
    <thead>
      <tr>
        <th>{{ texts.onTheTwin }}</th>
        <th class="num">{{ common.given }}</th>
        <th>{{ common.asked }}</th>
        <th>{{ texts.did }}</th>
        <th class="num">{{ common.printed }}</th>
        <th>
          <span class="visually-hidden">{{ common.verdict }}</span>
        </th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in behaviour.outcomes" :key="row.name" :class="{ picked: picked === row.name }">
        <td>
          <NButton
            text
            :aria-pressed="picked === row.name"
            @click="picked = picked === row.name ? null : row.name"
          >
            {{ capital(row.name) }}
          </NButton>
        </td>
        <td class="num v">{{ row.kind === 'step' ? given(row) : '' }}</td>
        <td>
          {{ row.kind === 'step' ? said(row.asked) : texts.changeAt(fixed(row.stimulus, 1), unit) }}
        </td>
        <td>
          <template v-if="row.kind === 'step'">{{ said(row.seen) }}</template>
          <template v-else-if="Object.keys(row.switched_at).length">{{ switched(row.switched_at) }}</template>
          <template v-else>{{ texts.noChange }}</template>
        </td>
        <td class="num v">{{ row.printed === null ? '' : fixed(row.printed, 2) }}</td>
        <td>
          <span v-if="row.kind === 'step' || !row.agrees" :class="row.agrees ? 'good' : 'differs'">{{
            row.agrees ? texts.agrees : texts.differs
          }}</span>
        </td>
      </tr>
    </tbody>
  </NTable>
</template>

<style scoped>
td .n-button {
  text-decoration: underline;
  text-underline-offset: 3px;
  text-decoration-color: var(--line);
}
.picked td {
  background: var(--act-bg);
}
.good {
  color: var(--good);
  font-weight: 640;
}
.differs {
  color: var(--stop);
  font-weight: 640;
}
</style>
