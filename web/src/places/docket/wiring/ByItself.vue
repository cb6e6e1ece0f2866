<script setup lang="ts">
// A bench without a program: what its parts do by themselves in each step of the plan.
import { NTable } from 'naive-ui'
import type { Schemas } from '@/api/client'
import { common } from '@texts/common'
import { byItself as texts } from '@texts/docket-wiring'

defineProps<{ steps: Schemas['StepDoneOut'][] }>()
const said = (states: Record<string, string>) =>
  Object.entries(states)
    .map(([ref, state]) => `${ref} ${state}`)
    .join(', ')
</script>

<template>
  <section class="mt-5.5">
    <h3>{{ texts.byItselfThrough }}</h3>
    <NTable :bordered="false" size="small">
      <thead>
        <tr>
          <th>{{ common.step }}</th>
          <th>{{ common.asked }}</th>
          <th>{{ texts.does }}</th>
          <th>
            <span class="visually-hidden">{{ common.verdict }}</span>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in steps" :key="row.step">
          <td>{{ row.step }}</td>
          <td>{{ said(row.asked) }}</td>
          <td>{{ said(row.seen) }}</td>
          <td :class="row.agrees ? 'good' : 'bad'">{{ row.agrees ? texts.agrees : texts.differs }}</td>
        </tr>
      </tbody>
    </NTable>
  </section>
</template>

<style scoped>
.good,
.bad {
  font-weight: 640;
  text-align: right;
}
.good {
  color: var(--good);
}
.bad {
  color: var(--stop);
}
</style>
