// Long work of the server: asked for, followed, cancelled, fetched.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { ask, client, type Schemas } from '@/api/client'

export type Work = Schemas['WorkOut']
const GOING = ['waiting', 'running']

export function useWork() {
  const id = ref<number | null>(null)
  const refused = ref<unknown>(null)
  const { data } = useQuery({
    queryKey: ['work', id],
    queryFn: () => ask(client.GET('/api/work/{work_id}', { params: { path: { work_id: id.value! } } })),
    enabled: computed(() => id.value !== null),
    refetchInterval: (query) => (GOING.includes(query.state.data?.state ?? 'waiting') ? 500 : false),
  })
  const work = computed(() => (id.value === null ? null : (data.value ?? null)))
  async function begin(call: () => Promise<Work>) {
    refused.value = null
    try {
      id.value = (await call()).id
    } catch (error) {
      refused.value = error
    }
  }
  async function cancel() {
    if (id.value !== null)
      await ask(client.POST('/api/work/{work_id}/cancel', { params: { path: { work_id: id.value } } }))
  }
  const isGoing = computed(() => id.value !== null && GOING.includes(work.value?.state ?? 'waiting'))
  return { work, refused, begin, cancel, isGoing, forget: () => (id.value = null) }
}
