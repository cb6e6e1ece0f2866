<script setup lang="ts">
// What an exercise is: what it asks, what it needs, what it is marked for, what to take care of.
import { NFlex, NTable } from 'naive-ui'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { said } from '@/shared/units'
import Sentence from '@/pieces/Sentence.vue'
import { common } from '@texts/common'
import { aboutView as texts } from '@texts/exercises'
import { useDerived } from './use-exercise'

const props = defineProps<{ exercise: Schemas['ExerciseOut'] }>()
const { data: derived } = useDerived(computed(() => props.exercise.id))
const cautions = computed(() => derived.value?.hazards ?? props.exercise.cautions)
const settings = (part: Schemas['RecipeOut']) =>
  Object.entries(part.settings)
    .map(([name, value]) => `${name} ${value}`)
    .join(', ')
</script>

<template>
  <div class="about grid grid-cols-[minmax(0,1fr)_minmax(0,1.1fr)] gap-6.5">
    <section>
      <p>{{ exercise.summary }}</p>
      <h3 class="mt-2">{{ common.asked }}</h3>
      <p v-for="statement in exercise.behaviour" :key="statement">{{ statement }}</p>
      <p v-if="!exercise.behaviour.length" class="soft">{{ texts.noBehaviour }}</p>
      <template v-if="derived && derived.variants.length > 1">
        <h3 class="mt-2">{{ texts.feedingHeading }}</h3>
        <NTable :bordered="false" size="small">
          <tbody>
            <tr v-for="v in derived.variants" :key="v.id">
              <td>{{ v.title }}</td>
              <td class="num v">{{ texts.perCount(v.per_count, v.unit) }}</td>
              <td class="num v">{{ texts.upTo(v.top, v.unit) }}</td>
              <td class="num v">± {{ v.likely_half }} {{ v.unit }}</td>
            </tr>
          </tbody>
        </NTable>
      </template>
      <template v-if="derived">
        <h3 class="mt-2">{{ texts.benchTime }}</h3>
        <p>
          <Sentence :text="texts.about">
            <template #total
              ><b>{{ derived.minutes.total }} min</b></template
            >
            <template #wiring
              ><span class="soft">
                {{
                  texts.minutesOfEach(
                    derived.minutes.wiring,
                    derived.minutes.clearance,
                    derived.minutes.warm_up,
                    derived.minutes.program,
                    derived.minutes.readings,
                  )
                }}
              </span></template
            ></Sentence
          >
        </p>
      </template>
      <h3 class="mt-2">{{ texts.markedFor }}</h3>
      <NFlex :size="[16, 4]" class="criteria">
        <span v-for="c in exercise.criteria" :key="c.name"
          >{{ c.title }} <b>{{ c.of }}</b></span
        >
      </NFlex>
    </section>
    <section>
      <h3 class="mt-2">{{ texts.recipe }}</h3>
      <NTable :bordered="false" size="small">
        <tbody>
          <tr v-for="part in exercise.recipe" :key="part.ref">
            <td class="v">
              <b>{{ part.ref }}</b>
            </td>
            <td>{{ part.title }}</td>
            <td class="v soft">{{ part.part }}<br />{{ settings(part) }}</td>
          </tr>
        </tbody>
      </NTable>
      <template v-if="derived?.windows.length">
        <h3 class="mt-2">{{ texts.resistorsHeading }}</h3>
        <NTable :bordered="false" size="small">
          <tbody>
            <tr v-for="w in derived.windows" :key="w.ref">
              <td class="v">
                <b>{{ w.ref }}</b>
              </td>
              <td>{{ w.about }}</td>
              <td class="num v">{{ said(w.low_ohms, 'Ω') }} … {{ said(w.high_ohms, 'Ω') }}</td>
            </tr>
          </tbody>
        </NTable>
      </template>
      <h3 class="mt-2">{{ common.takeCare }}</h3>
      <ul class="m-0 pl-4.5">
        <li v-for="caution in cautions" :key="caution">{{ caution }}</li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
section {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
  align-content: start;
}
@media (max-width: 900px) {
  .about {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
