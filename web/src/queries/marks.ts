// Marks: of a class, of a docket, and of the pair that is logged in.
import { useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { ask, client } from '@/api/client'

export function useClassMarks(session: Ref<number | undefined>) {
  return useQuery({
    queryKey: ['class-marks', session],
    queryFn: () =>
      ask(
        client.GET('/api/sessions/{session_id}/marks', { params: { path: { session_id: session.value! } } }),
      ),
    enabled: computed(() => session.value !== undefined),
  })
}

export function useDocketMarks(docket: Ref<number>) {
  return useQuery({
    queryKey: ['docket-marks', docket],
    queryFn: () =>
      ask(client.GET('/api/dockets/{docket_id}/marks', { params: { path: { docket_id: docket.value } } })),
  })
}

/** A pair's own marks, once they are `closed`. */
export function useMyMarks(docket: Ref<number>, closed: Ref<boolean>) {
  return useQuery({
    queryKey: ['my-marks', docket],
    queryFn: () =>
      ask(client.GET('/api/my/dockets/{docket_id}/marks', { params: { path: { docket_id: docket.value } } })),
    enabled: closed,
  })
}
