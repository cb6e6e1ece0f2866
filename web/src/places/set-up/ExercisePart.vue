<script setup lang="ts">
// Exercises of the course: those that ship are taken with one press, others are imported; each opens in its own place.
import { ref } from 'vue'
import { ask, client } from '@/api/client'
import Asked from '@/pieces/Asked.vue'
import ErrorNote from '@/pieces/ErrorNote.vue'
import { useShippedExercises } from '@/queries/set-up'
import { useAct } from '@/shared/act'
import PartHead from './PartHead.vue'
import { type Course, STALE, useSetUp } from './use-set-up'

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
  <PartHead
    title="Exercise"
    text="What is built and shown. A released version never changes; a later one is a new version."
  >
    <RouterLink class="btn line" to="/exercises">To the exercises</RouterLink>
  </PartHead>
  <ErrorNote :error="error" />
  <p class="word" role="status">{{ said }}</p>
  <div v-if="course.exercises.length" class="wrap">
    <table class="plain">
      <caption class="visually-hidden">
        Exercises of this course
      </caption>
      <thead>
        <tr>
          <th>In the course</th>
          <th>State</th>
          <th class="num">Kits</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="exercise in course.exercises" :key="exercise.id">
          <td>
            <RouterLink :to="`/exercises/${exercise.version}`">{{ exercise.title }}</RouterLink>
          </td>
          <td>{{ exercise.released ? 'can be handed out' : 'a draft' }}</td>
          <td class="num">
            <RouterLink v-if="exercise.released && !exercise.kits" to="/set-up/kits">make kits</RouterLink>
            <template v-else>{{ exercise.kits }}</template>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
  <h3 class="more">Exercises to begin with</h3>
  <Asked v-slot="{ data }" :query="shipped" what="the exercises">
    <ul>
      <li v-for="one in data.filter((e) => !e.taken)" :key="one.slug">
        <span class="text">
          <b>{{ one.title }}</b>
          <span>{{ one.summary }}</span>
          <span class="soft">{{ one.parts.join(', ') }}; {{ one.minutes }} min</span>
        </span>
        <button class="btn line" :disabled="busy" @click="take(one.slug)">
          {{ wanted === one.slug ? 'A moment…' : 'Add to the course' }}
        </button>
      </li>
    </ul>
    <p v-if="data.every((e) => e.taken)" class="soft">All of them are in the course.</p>
  </Asked>
</template>

<style scoped>
.word {
  min-height: 22px;
  color: var(--good);
}
.more {
  margin: 18px 0 4px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
li {
  display: flex;
  gap: 16px;
  align-items: center;
  padding: 10px 0;
  border-bottom: 1px solid var(--line);
}
.text {
  display: grid;
  flex: 1;
  min-width: 0;
}
.text .soft {
  font-size: 13.5px;
}
</style>
