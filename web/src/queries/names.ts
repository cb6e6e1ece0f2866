// Names that the bench notation knows: pins of a board, parts with their legs, codes of colours.
import { useQuery } from '@tanstack/vue-query'
import { ask, client } from '@/api/client'

export function useNames() {
  return useQuery({ queryKey: ['names'], queryFn: () => ask(client.GET('/api/names')), staleTime: Infinity })
}
