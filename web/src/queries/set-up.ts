// A course as it is set up, and what is done to it.
import { useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { ask, client } from '@/api/client'

export function useCourses(enabled: Ref<boolean>) {
  return useQuery({
    queryKey: ['courses'],
    queryFn: () => ask(client.GET('/api/set-up/courses')),
    enabled,
  })
}

export function useCourse(course: Ref<number | null>) {
  return useQuery({
    queryKey: ['course', course],
    queryFn: () =>
      ask(
        client.GET('/api/set-up/courses/{course_id}', { params: { path: { course_id: course.value ?? 0 } } }),
      ),
    enabled: computed(() => course.value !== null),
  })
}

export function usePeople(section: Ref<number | null>) {
  return useQuery({
    queryKey: ['people', section],
    queryFn: () =>
      ask(
        client.GET('/api/set-up/sections/{section_id}/people', {
          params: { path: { section_id: section.value ?? 0 } },
        }),
      ),
    enabled: computed(() => section.value !== null),
  })
}

export function useShippedExercises(course: Ref<number | null>) {
  return useQuery({
    queryKey: ['shipped', course],
    queryFn: () =>
      ask(
        client.GET('/api/set-up/courses/{course_id}/samples', {
          params: { path: { course_id: course.value ?? 0 } },
        }),
      ),
    enabled: computed(() => course.value !== null),
  })
}

export function usePlannedSessions(course: Ref<number | null>) {
  return useQuery({
    queryKey: ['planned', course],
    queryFn: () =>
      ask(
        client.GET('/api/set-up/courses/{course_id}/sessions', {
          params: { path: { course_id: course.value ?? 0 } },
        }),
      ),
    enabled: computed(() => course.value !== null),
  })
}

export function useSessionPlan(session: Ref<number | null>) {
  return useQuery({
    queryKey: ['session-plan', session],
    queryFn: () =>
      ask(
        client.GET('/api/set-up/sessions/{session_id}', {
          params: { path: { session_id: session.value ?? 0 } },
        }),
      ),
    enabled: computed(() => session.value !== null),
  })
}

/** The event log of a course, 100 at a time, the newest first. */
export function useEvents(
  course: Ref<number | null>,
  search: Ref<{ word: string; first: string; last: string }>,
  before: Ref<number | null>,
) {
  return useQuery({
    queryKey: ['events', course, search, before],
    queryFn: () =>
      ask(
        client.GET('/api/set-up/courses/{course_id}/events', {
          params: {
            path: { course_id: course.value ?? 0 },
            query: {
              word: search.value.word,
              before: before.value ?? 0,
              first: search.value.first || undefined,
              last: search.value.last || undefined,
            },
          },
        }),
      ),
    enabled: computed(() => course.value !== null),
    placeholderData: (last) => last,
  })
}
