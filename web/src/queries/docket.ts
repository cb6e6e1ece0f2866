// One docket for staff, and what is asked for besides when a part of it is looked at.
import { useQuery } from '@tanstack/vue-query'
import { ref, type Ref } from 'vue'
import { ask, client } from '@/api/client'
import { soonWhileJudged } from '@/shared/polling'

const at = (docket: Ref<number>) => ({ params: { path: { docket_id: docket.value } } })

/** One docket, asked for once, however old the one at hand is. */
export const docketQuery = (docket: number) => ({
  queryKey: ['docket', docket],
  queryFn: () => ask(client.GET('/api/dockets/{docket_id}', at(ref(docket)))),
  staleTime: 0,
})

export function useDocketQuery(docket: Ref<number>) {
  return useQuery({
    queryKey: ['docket', docket],
    queryFn: () => ask(client.GET('/api/dockets/{docket_id}', at(docket))),
    refetchInterval: (q) => soonWhileJudged(q.state.data?.judging),
  })
}

/** The event log, as new as the docket's `revision`. */
export function useHistory(docket: Ref<number>, revision: Ref<number | undefined>) {
  return useQuery({
    queryKey: ['history', docket, revision],
    queryFn: () => ask(client.GET('/api/dockets/{docket_id}/history', at(docket))),
  })
}

/** The flow chart of a program, drawn when it is looked at. */
export function useFlow(docket: Ref<number>, attempt: Ref<number | undefined>, looked: Ref<boolean>) {
  return useQuery({
    queryKey: ['flow', docket, attempt],
    queryFn: () => ask(client.GET('/api/dockets/{docket_id}/program/flow', at(docket))),
    enabled: looked,
  })
}

/** One line of the program in the run on its bench, around a moment (ms); asked when a line is looked at. */
export function useLine(
  docket: Ref<number>,
  attempt: Ref<number | undefined>,
  looked: Ref<{ line: number; moment: number | null } | null>,
) {
  return useQuery({
    queryKey: ['line', docket, attempt, looked],
    queryFn: () =>
      ask(
        client.GET('/api/dockets/{docket_id}/program/line', {
          params: {
            path: { docket_id: docket.value },
            query: { line: looked.value!.line, moment_ms: looked.value!.moment },
          },
        }),
      ),
    enabled: () => looked.value !== null,
  })
}

export function useSheets(docket: Ref<number>) {
  return useQuery({
    queryKey: ['sheets', docket],
    queryFn: () => ask(client.GET('/api/dockets/{docket_id}/sheets', at(docket))),
  })
}
