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
  <ol class="m-0 pl-5.5 grid grid-cols-1 gap-3.5">
    <li v-for="step in exercise.steps" :key="step.name">
      <header class="flex gap-3 items-baseline flex-wrap">
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
        class="text-fix"
      >
        {{ caution }}
      </p>
      <Unfold v-if="step.ways.some((w) => w.id !== step.way)" :title="texts.otherSafeWays">
        <ul class="my-1 mx-0 pl-4.5">
          <li v-for="way in step.ways.filter((w) => w.id !== step.way)" :key="way.id">
            <b>{{ way.title }}</b> {{ way.how }}
          </li>
        </ul>
      </Unfold>
    </li>
  </ol>
</template>
