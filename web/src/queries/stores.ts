// Kits and drawers.
import { useQuery } from '@tanstack/vue-query'
import { computed, type Ref, ref } from 'vue'
import { ask, client } from '@/api/client'
import { USUAL_MS } from '@/shared/polling'

export function useKits({ often = false, enabled = ref(true) as Ref<boolean> } = {}) {
  return useQuery({
    queryKey: ['kits'],
    queryFn: () => ask(client.GET('/api/kits')),
    enabled,
    refetchInterval: often ? USUAL_MS : false,
  })
}

/** The coming sessions against the kits. */
export function useComing() {
  return useQuery({ queryKey: ['coming'], queryFn: () => ask(client.GET('/api/stores/coming')) })
}

/** Each resistor of a kit's exercise, with its window and what the drawers hold inside it. */
export function useAdvice(tag: Ref<string>) {
  return useQuery({
    queryKey: ['advice', tag],
    queryFn: () => ask(client.GET('/api/hatch/advice', { params: { query: { tag: tag.value } } })),
    enabled: computed(() => !!tag.value),
    retry: false,
  })
}

/** What can be set on the modules of a kit: jumpers and trimmers. */
export function useSettings(tag: Ref<string>) {
  return useQuery({
    queryKey: ['settings', tag],
    queryFn: () => ask(client.GET('/api/hatch/settings', { params: { query: { tag: tag.value } } })),
    enabled: computed(() => !!tag.value),
    retry: false,
  })
}
