<script setup lang="ts">
// The stimulus plan: each step with how it is made safely, with what it is measured, and how long to wait.
import type { Schemas } from '@/api/client'
import Unfold from '@/pieces/controls/Unfold.vue'
import { withUnit } from '@/shared/units'
import { planView as texts } from '@texts/exercises'

const props = defineProps<{ exercise: Schemas['ExerciseOut']; sheet: Schemas['SheetOut'] | undefined }>()
const waitsSeconds = (name: string) =>
  props.sheet?.steps.find((step) => step.name === name)?.waits_seconds ?? 0
const given = (step: Schemas['StepOut']) =>
  [step.text || (step.unit ? withUnit(step.value, step.unit) : ''), ...step.also].filter(Boolean).join(', ')
</script>

<template>
  <ol>
    <li v-for="step in exercise.steps" :key="step.name">
      <header>
        <b>{{ step.name }}</b>
        <span class="v">{{ given(step) }}</span>
        <span class="soft">
          {{ texts.heldFor(step.dwell_seconds, waitsSeconds(step.name)) }}
        </span>
      </header>
      <p>{{ step.how }}</p>
      <p
        v-for="way in step.ways.filter((w) => w.id === step.way && w.instrument !== 'none')"
        :key="way.id"
        class="soft"
      >
        {{ texts.measuredWith(way.instrument) }}
      </p>
      <p
        v-for="caution in step.ways.find((w) => w.id === step.way)?.cautions ?? []"
        :key="caution"
        class="care"
      >
        {{ caution }}
      </p>
      <Unfold v-if="step.ways.some((w) => w.id !== step.way)" :title="texts.otherSafeWays">
        <ul>
          <li v-for="way in step.ways.filter((w) => w.id !== step.way)" :key="way.id">
            <b>{{ way.title }}</b> {{ way.how }}
          </li>
        </ul>
      </Unfold>
    </li>
  </ol>
</template>

<style scoped>
ol {
  margin: 0;
  padding-left: 22px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
}
header {
  display: flex;
  gap: 12px;
  align-items: baseline;
  flex-wrap: wrap;
}
.care {
  color: var(--fix);
}
ul {
  margin: 4px 0;
  padding-left: 18px;
}
</style>
