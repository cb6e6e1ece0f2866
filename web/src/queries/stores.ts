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

/** All that is kept of the stores and may be old after an act there. */
export const STORES_STALE = [
  'kits',
  'modules',
  'module',
  'batches',
  'stock',
  'moves',
  'faults',
  'coming',
  'orders',
  'advice',
  'places',
  'settings',
  'floor',
] as const

export function useModules() {
  return useQuery({ queryKey: ['modules'], queryFn: () => ask(client.GET('/api/modules')) })
}

export function useModule(id: Ref<number | null>) {
  return useQuery({
    queryKey: ['module', id],
    queryFn: () =>
      ask(client.GET('/api/modules/{module_id}', { params: { path: { module_id: id.value ?? 0 } } })),
    enabled: computed(() => id.value !== null),
  })
}

/** The parts and boards of the catalogue as the stores see them; they do not change while the application runs. */
export function usePartKinds() {
  return useQuery({
    queryKey: ['part-kinds'],
    queryFn: () => ask(client.GET('/api/stores/kinds')),
    staleTime: Infinity,
  })
}

export function useBatches() {
  return useQuery({ queryKey: ['batches'], queryFn: () => ask(client.GET('/api/batches')) })
}

/** Everything that is counted, drawer by drawer. */
export function useStock() {
  return useQuery({ queryKey: ['stock'], queryFn: () => ask(client.GET('/api/stock')) })
}

/** What happened in one drawer, the newest first. */
export function useMoves(item: Ref<number | null>) {
  return useQuery({
    queryKey: ['moves', item],
    queryFn: () =>
      ask(client.GET('/api/stock/{item_id}/moves', { params: { path: { item_id: item.value ?? 0 } } })),
    enabled: computed(() => item.value !== null),
  })
}

export function useFaults() {
  return useQuery({
    queryKey: ['faults'],
    queryFn: () => ask(client.GET('/api/faults')),
    refetchInterval: USUAL_MS * 4,
  })
}

/** What to order by when. */
export function useOrders() {
  return useQuery({ queryKey: ['orders'], queryFn: () => ask(client.GET('/api/stores/orders')) })
}

/** What is in a kit, place by place, and what could be given for it. */
export function usePlaces(tag: Ref<string>) {
  return useQuery({
    queryKey: ['places', tag],
    queryFn: () => ask(client.GET('/api/hatch/parts', { params: { query: { tag: tag.value } } })),
    enabled: computed(() => !!tag.value),
    retry: false,
  })
}

/** What to look at in a kit that is back. */
export function useInspection(tag: Ref<string>) {
  return useQuery({
    queryKey: ['inspection', tag],
    queryFn: () => ask(client.GET('/api/hatch/inspection', { params: { query: { tag: tag.value } } })),
    enabled: computed(() => !!tag.value),
    staleTime: 0,
  })
}

export function useStoreTables() {
  return useQuery({
    queryKey: ['store-tables'],
    queryFn: () => ask(client.GET('/api/stores/tables')),
    staleTime: Infinity,
  })
}

export function useLabelSheets() {
  return useQuery({
    queryKey: ['label-sheets'],
    queryFn: () => ask(client.GET('/api/stores/label-sheets')),
    staleTime: Infinity,
  })
}
