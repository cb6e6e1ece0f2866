<script setup lang="ts">
// What an exercise is: what it asks, what it needs, what it is marked for, what to take care of.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { said } from '@/shared/units'
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
  <div class="about">
    <section>
      <p>{{ exercise.summary }}</p>
      <h3>Asked</h3>
      <p v-for="statement in exercise.behaviour" :key="statement">{{ statement }}</p>
      <p v-if="!exercise.behaviour.length" class="soft">Values only; no output has to follow them.</p>
      <template v-if="derived && derived.variants.length > 1">
        <h3>What each way of feeding costs</h3>
        <table class="plain">
          <tbody>
            <tr v-for="v in derived.variants" :key="v.id">
              <td>{{ v.title }}</td>
              <td class="num v">{{ v.per_count }} {{ v.unit }} a count</td>
              <td class="num v">to {{ v.top }} {{ v.unit }}</td>
              <td class="num v">± {{ v.likely_half }} {{ v.unit }}</td>
            </tr>
          </tbody>
        </table>
      </template>
      <template v-if="derived">
        <h3>Bench time</h3>
        <p>
          About <b>{{ derived.minutes.total }} min</b>:
          <span class="soft">
            wiring {{ derived.minutes.wiring }}, clearance {{ derived.minutes.clearance
            }}{{ derived.minutes.warm_up ? `, warm-up ${derived.minutes.warm_up}` : '' }}, program
            {{ derived.minutes.program }}, readings {{ derived.minutes.readings }}
          </span>
        </p>
      </template>
      <h3>Marked for</h3>
      <p class="criteria">
        <span v-for="c in exercise.criteria" :key="c.name"
          >{{ c.title }} <b>{{ c.of }}</b></span
        >
      </p>
    </section>
    <section>
      <h3>Recipe</h3>
      <table class="plain">
        <tbody>
          <tr v-for="part in exercise.recipe" :key="part.ref">
            <td class="v">
              <b>{{ part.ref }}</b>
            </td>
            <td>{{ part.title }}</td>
            <td class="v soft">{{ part.part }}<br />{{ settings(part) }}</td>
          </tr>
        </tbody>
      </table>
      <template v-if="derived?.windows.length">
        <h3>Resistors that will do</h3>
        <table class="plain">
          <tbody>
            <tr v-for="w in derived.windows" :key="w.ref">
              <td class="v">
                <b>{{ w.ref }}</b>
              </td>
              <td>{{ w.about }}</td>
              <td class="num v">{{ said(w.low_ohms, 'Ω') }} … {{ said(w.high_ohms, 'Ω') }}</td>
            </tr>
          </tbody>
        </table>
      </template>
      <h3>Take care</h3>
      <ul>
        <li v-for="caution in cautions" :key="caution">{{ caution }}</li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.about {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr);
  gap: 26px;
}
section {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
  align-content: start;
}
h3 {
  margin-top: 8px;
}
.criteria {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
}
ul {
  margin: 0;
  padding-left: 18px;
}
@media (max-width: 900px) {
  .about {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
