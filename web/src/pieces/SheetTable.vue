<script setup lang="ts">
// The expected sheet as a table; with readings, each step is judged beside it.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { fixed, VERDICTS } from '@/shared/words'

const props = defineProps<{ sheet: Schemas['SheetOut']; readings?: Schemas['StepVerdictOut'][] }>()
const judged = computed(() => new Map((props.readings ?? []).map((step) => [step.name, step])))
function states(step: Schemas['SheetStepOut']): string {
  const all = Object.entries(step.indicators)
  if (!all.length) return ''
  const same = all.every(([, state]) => state === all[0]![1])
  return same ? all[0]![1] : all.map(([ref, state]) => `${ref} ${state}`).join(', ')
}
</script>

<template>
  <table class="plain">
    <thead>
      <tr>
        <th>Step</th>
        <th class="num">Given</th>
        <th class="num">At the pin</th>
        <th class="num">Count<br />and limits</th>
        <th class="num">Should print<br />and limits</th>
        <th>Alarm</th>
        <th v-if="readings" class="num">Printed</th>
        <th v-if="readings"></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="step in sheet.steps" :key="step.name">
        <td>{{ step.name }}</td>
        <td class="num v">{{ fixed(step.stimulus.expected, 1) }} {{ sheet.unit }}</td>
        <td class="num v">{{ fixed(step.volts.expected, 3) }} V</td>
        <td class="num v">
          {{ step.count.expected }}<br /><span class="soft">{{ step.count.low }}–{{ step.count.high }}</span>
        </td>
        <td class="num v">
          {{ fixed(step.value.expected, 1) }} {{ sheet.unit }}<br />
          <span class="soft">{{ fixed(step.value.low, 1) }} … {{ fixed(step.value.high, 1) }}</span>
        </td>
        <td>{{ states(step) }}<span v-if="step.saturated" class="full">full scale</span></td>
        <template v-if="readings">
          <td class="num v">
            <b>{{ fixed(judged.get(step.name)?.centre, 1) }}</b>&nbsp;{{
              judged.get(step.name)?.centre == null ? '' : sheet.unit
            }}
          </td>
          <td>
            <span
              v-if="judged.get(step.name)"
              class="verdict"
              :class="VERDICTS[judged.get(step.name)!.verdict]?.tone"
            >
              {{ VERDICTS[judged.get(step.name)!.verdict]?.word }}
            </span>
          </td>
        </template>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.verdict {
  font-weight: 640;
  font-size: 13.5px;
  padding: 1px 7px;
  border-radius: 3px;
  white-space: nowrap;
}
.good {
  background: var(--good-bg);
  color: var(--good);
}
.stop {
  background: var(--stop-bg);
  color: var(--stop);
}
.check {
  background: var(--check-bg);
  color: var(--check);
}
.full {
  display: block;
  color: var(--fix);
  font-size: 13.5px;
}
</style>
