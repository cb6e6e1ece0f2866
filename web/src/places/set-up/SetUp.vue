<script setup lang="ts">
// Set-up: what a course still lacks before its first lab day, as a line of six steps, and the step that is worked on.
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import Asked from '@/pieces/states/Asked.vue'
import { useMe } from '@/shared/me'
import { setUp as texts } from '@texts/set-up'
import { setUpParts } from '@texts/words'
import StepRail from './StepRail.vue'
import { type Part, provideSetUp } from './use-set-up'
import { lazy } from '@/pieces/lazy'
import Sheet from '@/pieces/states/Sheet.vue'

const CoursePart = lazy(() => import('./course/CoursePart.vue'))
const ExercisePart = lazy(() => import('./course/ExercisePart.vue'))
const FoundCourse = lazy(() => import('./course/FoundCourse.vue'))
const KitsPart = lazy(() => import('./course/KitsPart.vue'))
const PairsPart = lazy(() => import('./pairs/PairsPart.vue'))
const PeoplePart = lazy(() => import('./people/PeoplePart.vue'))
const RecordsPart = lazy(() => import('./course/RecordsPart.vue'))
const RoomPart = lazy(() => import('./room/RoomPart.vue'))
const SessionPart = lazy(() => import('./sessions/SessionPart.vue'))

const PARTS = {
  people: PeoplePart,
  pairs: PairsPart,
  room: RoomPart,
  exercise: ExercisePart,
  kits: KitsPart,
  session: SessionPart,
  course: CoursePart,
  records: RecordsPart,
}
const { courses, query, course } = provideSetUp()
const { data: me } = useMe()
const route = useRoute()
const part = computed<Part>(() => {
  const asked = String(route.params.part ?? '')
  if (asked in PARTS) return asked as Part
  return (course.value?.steps.find((step) => !step.done)?.name as Part | undefined) ?? 'session'
})
</script>

<template>
  <div class="page pt-4.5 pb-7 px-5">
    <Asked v-slot="{ data: all }" :query="courses" :what="texts.yourCourses">
      <Sheet v-if="!all.length && me?.founds" pad="large" class="max-w-140 mx-auto my-[4vh]">
        <FoundCourse first />
      </Sheet>
      <p v-else-if="!all.length" class="soft">{{ texts.instructorsOnly }}</p>
      <Asked v-else v-slot="{ data }" :query="query" :what="texts.courseSubject">
        <div class="two grid grid-cols-[268px_minmax(0,1fr)] gap-5.5 items-start">
          <StepRail :course="data" :part="part" />
          <Sheet tag="section" pad="large" class="work min-h-105" :aria-label="setUpParts[part]">
            <component :is="PARTS[part]" :key="part" :course="data" />
          </Sheet>
        </div>
      </Asked>
    </Asked>
  </div>
</template>

<style scoped>
@media (max-width: 860px) {
  .page {
    padding: 12px;
  }
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
