// Kits and drawers.
import { useQuery } from '@tanstack/vue-query'
import { type Ref, ref } from 'vue'
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

export function useStockResistors() {
  return useQuery({ queryKey: ['stock'], queryFn: () => ask(client.GET('/api/stock/resistors')) })
}
