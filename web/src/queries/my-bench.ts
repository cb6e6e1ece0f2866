// A pair's own dockets.
import { useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { ask, client } from '@/api/client'
import { soonWhileJudged } from '@/shared/polling'

export function useMyDockets() {
  return useQuery({
    queryKey: ['my-dockets'],
    queryFn: () => ask(client.GET('/api/my/dockets')),
    refetchInterval: 15_000,
  })
}

export function useMyDocketQuery(docket: Ref<number | null>) {
  return useQuery({
    queryKey: ['my-docket', docket],
    queryFn: () =>
      ask(client.GET('/api/my/dockets/{docket_id}', { params: { path: { docket_id: docket.value! } } })),
    enabled: computed(() => docket.value !== null),
    refetchInterval: (q) => soonWhileJudged(q.state.data?.judging),
  })
}

/** The line of a hint in the run of one's own program; asked when it is looked at. */
export function useHintLine(docket: Ref<number>, key: Ref<string>, attempt: Ref<number>) {
  return useQuery({
    queryKey: ['hint-line', docket, attempt, key],
    queryFn: () =>
      ask(
        client.GET('/api/my/dockets/{docket_id}/hint-line', {
          params: { path: { docket_id: docket.value }, query: { key: key.value } },
        }),
      ),
    enabled: computed(() => key.value !== ''),
  })
}
