<script setup lang="ts">
// Kits: how many of each exercise there are against the pairs, and more of them made in one press.
import { computed, reactive } from 'vue'
import { ask, client } from '@/api/client'
import EmptyNote from '@/pieces/EmptyNote.vue'
import ErrorNote from '@/pieces/ErrorNote.vue'
import { useAct } from '@/shared/act'
import { common } from '@texts/common'
import { kitsPart as texts } from '@texts/set-up-sessions'
import PartHead from './PartHead.vue'
import { type Course, STALE } from './use-set-up'

const props = defineProps<{ course: Course }>()
const pairs = computed(() => props.course.sections.reduce((sum, s) => Math.max(sum, s.pairs), 0))
const ready = computed(() => props.course.exercises.filter((e) => e.released))
const counts = reactive<Record<number, number>>({})
const prefixes = reactive<Record<number, string>>({})
const { busy, error, said, run } = useAct(STALE)
const wanted = (id: number, kits: number) => counts[id] ?? Math.max(1, pairs.value - kits)

async function make(exercise: Course['exercises'][number]) {
  const body = { prefix: prefixes[exercise.id] ?? exercise.prefix, count: wanted(exercise.id, exercise.kits) }
  const path = { exercise_id: exercise.id }
  if (
    await run(() => ask(client.POST('/api/set-up/exercises/{exercise_id}/kits', { params: { path }, body })))
  )
    delete counts[exercise.id]
}
</script>

<template>
  <PartHead :title="common.kits" :text="texts.aKitIsABox(pairs)">
    <RouterLink class="btn line" to="/hatch">{{ texts.toTheHatch }}</RouterLink>
  </PartHead>
  <EmptyNote v-if="!ready.length" :title="texts.anExerciseComes" :text="texts.itsRecipeSaysWhatBelongs">
    <RouterLink class="btn" to="/set-up/exercise">{{ texts.chooseAnExercise }}</RouterLink>
  </EmptyNote>
  <template v-else>
    <ErrorNote :error="error" />
    <p class="word" role="status">{{ said }}</p>
    <div class="wrap">
      <table class="plain middle">
        <caption class="visually-hidden">
          {{
            texts.kitsByExercise
          }}
        </caption>
        <thead>
          <tr>
            <th>{{ common.exercise }}</th>
            <th class="num">{{ common.kits }}</th>
            <th class="num">{{ texts.ready }}</th>
            <th>{{ texts.makeMore }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="exercise in ready" :key="exercise.id">
            <td>{{ exercise.title }}</td>
            <td class="num">{{ exercise.kits }}</td>
            <td class="num" :class="{ few: exercise.ready_kits < pairs }">{{ exercise.ready_kits }}</td>
            <td>
              <form @submit.prevent="make(exercise)">
                <input
                  class="field v count"
                  type="number"
                  min="1"
                  max="60"
                  :value="wanted(exercise.id, exercise.kits)"
                  :aria-label="texts.howManyKitsFor(exercise.title)"
                  @input="counts[exercise.id] = Number(($event.target as HTMLInputElement).value)"
                />
                <input
                  class="field v prefix"
                  :value="prefixes[exercise.id] ?? exercise.prefix"
                  maxlength="8"
                  :aria-label="texts.lettersOfTheTags(exercise.title)"
                  @input="prefixes[exercise.id] = ($event.target as HTMLInputElement).value"
                />
                <button class="btn line" :disabled="busy">{{ texts.make }}</button>
              </form>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="soft note">
      {{ texts.theLettersBegin }}
    </p>
  </template>
</template>

<style scoped>
.word {
  min-height: 22px;
  color: var(--good);
}
form {
  display: flex;
  gap: 8px;
}
.count {
  width: 76px;
}
.prefix {
  width: 96px;
}
.few {
  color: var(--fix);
  font-weight: 620;
}
.note {
  margin-top: 10px;
}
</style>
