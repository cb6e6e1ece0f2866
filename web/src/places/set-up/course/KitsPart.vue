<script setup lang="ts">
// Kits: how many of each exercise there are against the pairs, and more of them made in one press.
import { NButton, NForm, NTable } from 'naive-ui'
import { computed, reactive } from 'vue'
import { ask, client } from '@/api/client'
import LinkButton from '@/pieces/controls/LinkButton.vue'
import NumberField from '@/pieces/fields/NumberField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import EmptyNote from '@/pieces/states/EmptyNote.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { useAct } from '@/shared/act'
import { common } from '@texts/common'
import { kitsPart as texts } from '@texts/set-up-sessions'
import PartHead from '../PartHead.vue'
import { type Course, STALE } from '../use-set-up'

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
  <PartHead :title="common.kits" :text="texts.help(pairs)">
    <LinkButton to="/hatch" ghost>{{ texts.hatchLink }}</LinkButton>
  </PartHead>
  <EmptyNote v-if="!ready.length" :title="texts.exerciseFirst" :text="texts.recipeHint">
    <LinkButton to="/set-up/exercise">{{ texts.chooseAnExercise }}</LinkButton>
  </EmptyNote>
  <template v-else>
    <ErrorNote :error="error" />
    <p class="min-h-5.5 text-good" role="status">{{ said }}</p>
    <div class="wrap">
      <NTable :bordered="false" size="small" class="middle">
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
              <NForm @submit.prevent="make(exercise)">
                <NumberField
                  class="count"
                  :min="1"
                  :max="60"
                  :model-value="wanted(exercise.id, exercise.kits)"
                  :aria-label="texts.countLabel(exercise.title)"
                  @update:model-value="counts[exercise.id] = $event ?? 0"
                />
                <TextField
                  class="prefix"
                  :model-value="prefixes[exercise.id] ?? exercise.prefix"
                  maxlength="8"
                  :aria-label="texts.lettersLabel(exercise.title)"
                  figures
                  @update:model-value="prefixes[exercise.id] = String($event)"
                />
                <NButton type="primary" ghost attr-type="submit" :disabled="busy">{{ texts.make }}</NButton>
              </NForm>
            </td>
          </tr>
        </tbody>
      </NTable>
    </div>
    <p class="soft note mt-2.5">
      {{ texts.lettersHelp }}
    </p>
  </template>
</template>

<style scoped>
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
</style>
