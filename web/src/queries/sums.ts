// The bench sums: the list of them, and each answer while one types.
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import type { Ref } from 'vue'
import { ask, client, type Schemas } from '@/api/client'

/** From the last key to the question. */
const PAUSE_MS = 120

export function useSums() {
  return useQuery({ queryKey: ['sums'], queryFn: () => ask(client.GET('/api/sums')), staleTime: Infinity })
}

/** An answer that follows what is typed; the last one stays until the next is there. */
function useAnswer<Asked, Answer>(key: string, given: Ref<Asked>, answer: (asked: Asked) => Promise<Answer>) {
  const asked = refDebounced(given, PAUSE_MS)
  return useQuery({
    queryKey: [key, asked],
    queryFn: () => answer(asked.value),
    placeholderData: keepPreviousData,
    retry: false,
  })
}

export function useSum(name: string, given: Ref<Record<string, string>>) {
  const path = { name }
  return useAnswer(`sum ${name}`, given, (asked) =>
    ask(client.POST('/api/sums/of/{name}', { params: { path }, body: { given: asked } })),
  )
}

/** What bands say, and what a meter says beside it. */
export function useBands(given: Ref<Schemas['BandsIn']>) {
  return useAnswer('bands', given, (asked) => ask(client.POST('/api/sums/bands', { body: asked })))
}

/** The bands of a value. */
export function useValue(given: Ref<Schemas['ValueIn']>) {
  return useAnswer('value', given, (asked) => ask(client.POST('/api/sums/value', { body: asked })))
}
