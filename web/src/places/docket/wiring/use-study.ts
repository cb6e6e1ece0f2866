// The closer look at the wiring last handed in; asked for when a tab needs it.
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { ask, client } from '@/api/client'

export function useStudy(docket: Ref<number>, attempt: Ref<number | undefined>) {
  return useQuery({
    queryKey: ['study', docket, attempt],
    queryFn: () =>
      ask(
        client.GET('/api/dockets/{docket_id}/wiring/study', {
          params: { path: { docket_id: docket.value } },
        }),
      ),
    enabled: computed(() => attempt.value !== undefined),
  })
}

/** Volts and currents with outputs, buttons and knobs as set; the last answer stays until the next is there. */
export function useSolved(
  docket: Ref<number>,
  attempt: Ref<number | undefined>,
  settings: Ref<Record<string, string>>,
) {
  return useQuery({
    queryKey: ['solved', docket, attempt, settings],
    queryFn: () =>
      ask(
        client.POST('/api/dockets/{docket_id}/wiring/solve', {
          params: { path: { docket_id: docket.value } },
          body: { settings: settings.value },
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  })
}
