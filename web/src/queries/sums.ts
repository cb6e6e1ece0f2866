// The bench sums.
import { useQuery } from '@tanstack/vue-query'
import { ask, client } from '@/api/client'

export function useSums() {
  return useQuery({ queryKey: ['sums'], queryFn: () => ask(client.GET('/api/sums')), staleTime: Infinity })
}
