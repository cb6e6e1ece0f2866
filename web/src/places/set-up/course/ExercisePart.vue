<script setup lang="ts">
// Exercises of the course: those that ship are taken with one press, others are imported; each opens in its own place.
import { NButton, NTable } from 'naive-ui'
import { ref } from 'vue'
import { ask, client } from '@/api/client'
import LinkButton from '@/pieces/controls/LinkButton.vue'
import Asked from '@/pieces/states/Asked.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { useShippedExercises } from '@/queries/set-up'
import { useAct } from '@/shared/act'
import { common } from '@texts/common'
import { exercisePart as texts } from '@texts/set-up-sessions'
import PartHead from '../PartHead.vue'
import { type Course, STALE, useSetUp } from '../use-set-up'

const props = defineProps<{ course: Course }>()
const { id } = useSetUp()
const shipped = useShippedExercises(id)
const wanted = ref('')
const { busy, error, said, run } = useAct(STALE)

async function take(slug: string) {
  wanted.value = slug
  const path = { course_id: props.course.id }
  await run(() =>
    ask(client.POST('/api/set-up/courses/{course_id}/samples', { params: { path }, body: { slug } })),
  )
  wanted.value = ''
}
</script>

<template>
  <PartHead :title="common.exercise" :text="texts.help">
    <LinkButton to="/exercises" ghost>{{ texts.exercisesLink }}</LinkButton>
  </PartHead>
  <ErrorNote :error="error" />
  <p class="min-h-5.5 text-good" role="status">{{ said }}</p>
  <div v-if="course.exercises.length" class="wrap">
    <NTable :bordered="false" size="small">
      <caption class="visually-hidden">
        {{
          texts.listLabel
        }}
      </caption>
      <thead>
        <tr>
          <th>{{ texts.included }}</th>
          <th>{{ common.state }}</th>
          <th class="num">{{ common.kits }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="exercise in course.exercises" :key="exercise.id">
          <td>
            <RouterLink :to="`/exercises/${exercise.version}`">{{ exercise.title }}</RouterLink>
          </td>
          <td>{{ exercise.released ? texts.released : texts.draft }}</td>
          <td class="num">
            <RouterLink v-if="exercise.released && !exercise.kits" to="/set-up/kits">{{
              texts.makeKits
            }}</RouterLink>
            <template v-else>{{ exercise.kits }}</template>
          </td>
        </tr>
      </tbody>
    </NTable>
  </div>
  <h3 class="more mt-4.5 mb-1">{{ texts.exercisesToBegin }}</h3>
  <Asked v-slot="{ data }" :query="shipped" :what="texts.subject">
    <ul class="list-none p-0 m-0">
      <li
        v-for="one in data.filter((e) => !e.taken)"
        :key="one.slug"
        class="flex gap-4 items-center py-2.5 border-b border-b-line"
      >
        <span class="text grid flex-1 min-w-0">
          <b>{{ one.title }}</b>
          <span>{{ one.summary }}</span>
          <span class="soft text-sm">{{ one.parts.join(', ') }}; {{ one.minutes }} min</span>
        </span>
        <NButton type="primary" ghost :disabled="busy" @click="take(one.slug)">
          {{ wanted === one.slug ? texts.running : texts.add }}
        </NButton>
      </li>
    </ul>
    <p v-if="data.every((e) => e.taken)" class="soft">{{ texts.nothingToAdd }}</p>
  </Asked>
</template>
