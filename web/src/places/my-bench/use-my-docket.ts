// A pair's acts on its own docket.
import { useMutation, useQueryClient } from '@tanstack/vue-query'
import { type ComputedRef, type InjectionKey, inject, provide, ref } from 'vue'
import { ask, client, type Schemas } from '@/api/client'

export type MyDocket = Schemas['MyDocketOut']

function make(docket: ComputedRef<MyDocket | null>) {
  const queries = useQueryClient()
  const refused = ref<unknown>(null)
  const act = useMutation({
    mutationFn: (call: () => Promise<unknown>) => call(),
    onMutate: () => (refused.value = null),
    onSettled: () => queries.invalidateQueries({ queryKey: ['my-docket'] }),
  })
  const at = () => ({ params: { path: { docket_id: docket.value!.id } } })
  const quietly = async (call: () => Promise<unknown>) => {
    try {
      await act.mutateAsync(call)
    } catch (wrong) {
      refused.value = wrong
    }
  }
  return {
    refused,
    busy: act.isPending,
    handIn: (kind: string, text: string, token: string, basedOn: number) =>
      act.mutateAsync(() =>
        ask(
          client.POST('/api/my/dockets/{docket_id}/hand-in', {
            ...at(),
            body: { kind, text, token, based_on_attempt: basedOn },
          }),
        ),
      ),
    check: (text: string) =>
      ask(client.POST('/api/my/dockets/{docket_id}/check-wiring', { ...at(), body: { text } })),
    openHint: (key: string, step: number) =>
      quietly(() =>
        ask(client.POST('/api/my/dockets/{docket_id}/open-hint', { ...at(), body: { key, step } })),
      ),
    ask: (station: string) =>
      quietly(() =>
        ask(client.POST('/api/my/dockets/{docket_id}/ask', { ...at(), body: { station, reason: '' } })),
      ),
    withdraw: (station: string) =>
      quietly(() =>
        ask(client.POST('/api/my/dockets/{docket_id}/withdraw', { ...at(), body: { station, reason: '' } })),
      ),
    measure: (name: string, value: number, instrument: string) =>
      act.mutateAsync(() =>
        ask(
          client.POST('/api/my/dockets/{docket_id}/measure', { ...at(), body: { name, value, instrument } }),
        ),
      ),
  }
}

type Acts = ReturnType<typeof make>
const KEY: InjectionKey<Acts> = Symbol('my docket')

export function provideMyDocket(docket: ComputedRef<MyDocket | null>): Acts {
  const acts = make(docket)
  provide(KEY, acts)
  return acts
}

export function useMyDocket(): Acts {
  const acts = inject(KEY)
  if (!acts) throw new Error('useMyDocket belongs inside MyBench.vue')
  return acts
}
