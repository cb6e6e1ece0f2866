// The room of a session: its benches, and the Round.
import { useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { ask, client } from '@/api/client'
import { USUAL_MS } from '@/shared/polling'

/** `often`: asked for again and again while it is looked at. */
export function useFloor(
  session: Ref<number | undefined>,
  { often = false, enabled = computed(() => true) } = {},
) {
  return useQuery({
    queryKey: ['floor', session],
    queryFn: () =>
      ask(
        client.GET('/api/sessions/{session_id}/floor', { params: { path: { session_id: session.value! } } }),
      ),
    enabled: computed(() => session.value !== undefined && enabled.value),
    refetchInterval: often ? USUAL_MS : false,
  })
}

/** The pairs of a session with their members, to find one by a name. */
export function usePairs(session: Ref<number | undefined>, enabled: Ref<boolean>) {
  return useQuery({
    queryKey: ['pairs', session],
    queryFn: () =>
      ask(
        client.GET('/api/sessions/{session_id}/pairs', { params: { path: { session_id: session.value! } } }),
      ),
    enabled: computed(() => session.value !== undefined && enabled.value),
    staleTime: 15_000,
  })
}
