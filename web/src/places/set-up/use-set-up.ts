// The course that is set up, and the section of it that is looked at; both are remembered.
import { computed, type InjectionKey, inject, provide, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { useCourse, useCourses } from '@/queries/set-up'
import { rememberedId } from '@/shared/remembered'

export type Course = Schemas['CourseOut']
export type Part = 'people' | 'pairs' | 'room' | 'exercise' | 'kits' | 'session' | 'course' | 'records'
/** What changes with nearly every act here. */
export const STALE = [
  'course',
  'courses',
  'people',
  'shipped',
  'planned',
  'session-plan',
  'sessions',
  'me',
  'kits',
  'exercises',
  'floor',
]

function make() {
  const chosen = rememberedId('verifex-course')
  const section = rememberedId('verifex-section')
  const courses = useCourses(ref(true))
  const id = computed(() => {
    const all = courses.data.value
    if (!all?.length) return null
    return (all.find((c) => c.id === chosen.value) ?? all.find((c) => !c.closed) ?? all[0]!).id
  })
  const query = useCourse(id)
  const course = query.data
  const own = computed(() => course.value?.sections.filter((s) => s.mine) ?? [])
  const sectionId = computed({
    get: () => (own.value.find((s) => s.id === section.value) ?? own.value[0])?.id ?? null,
    set: (to) => (section.value = to),
  })
  return { courses, id, query, course, own, sectionId, choose: (to: number) => (chosen.value = to) }
}

const KEY: InjectionKey<ReturnType<typeof make>> = Symbol('set-up')

export function provideSetUp() {
  const found = make()
  provide(KEY, found)
  return found
}

export function useSetUp() {
  const found = inject(KEY)
  if (!found) throw new Error('useSetUp belongs inside SetUp.vue')
  return found
}
