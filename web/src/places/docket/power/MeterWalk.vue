<script setup lang="ts">
// A few measurements before power that show most of the single mistakes this bench may have although its hand-in is right.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import MeasureForm from '@/pieces/MeasureForm.vue'
import { meterWalk as texts } from '@texts/docket'

const props = defineProps<{
  walk: Schemas['WalkOut']
  known: Schemas['MeasurementOut'][]
  save: (name: string, value: number, instrument: string) => Promise<unknown>
}>()
const done = computed(() => props.walk.steps.filter((step) => step.fits !== null).length)
const wrong = computed(() => props.walk.steps.filter((step) => step.fits === false).length)
const parts = computed(() =>
  [
    { unit: 'Ω', head: texts.offHeading },
    { unit: 'V', head: texts.onHeading },
  ]
    .map((part) => ({ ...part, steps: props.walk.steps.filter((step) => step.unit === part.unit) }))
    .filter((part) => part.steps.length),
)
const said = computed(() => {
  if (wrong.value) return texts.differing(wrong.value)
  if (done.value === props.walk.steps.length) return texts.allAgree
  return done.value ? texts.progress(done.value, props.walk.steps.length) : ''
})
</script>

<template>
  <section class="walk grid grid-cols-1 gap-1.5" :aria-label="texts.meterWalk">
    <h3>
      {{ texts.meterWalk }} <span v-if="walk.required" class="soft">{{ texts.requiredBeforePower }}</span>
      <span
        v-if="said"
        class="said ml-2 font-semibold text-soft"
        :class="{ wrong, all: !wrong && done === walk.steps.length }"
        >{{ said }}</span
      >
    </h3>
    <p class="soft">
      {{ texts.quickMeasurements(walk.steps.length, walk.shown, walk.mistakes) }}
      {{ walk.harmful ? texts.harmfulCovered(walk.harm_shown, walk.harmful) : '' }}
    </p>
    <template v-for="part in parts" :key="part.unit">
      <p class="font-semibold">{{ part.head }}</p>
      <ol class="m-0 pl-5.5 grid gap-2.5">
        <li v-for="step in part.steps" :key="step.name">
          <MeasureForm
            :name="step.name"
            :label="step.text"
            :unit="step.unit"
            :known="known"
            :save="save"
            :agrees="step.fits"
            :said="step.fits === null ? step.should : texts.expectedValue(step.should)"
          />
        </li>
      </ol>
    </template>
  </section>
</template>

<style scoped>
.wrong {
  color: var(--stop);
}
.all {
  color: var(--good);
}
</style>
