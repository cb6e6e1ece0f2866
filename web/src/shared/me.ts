// Who is logged in, and the lab session that staff look at.
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, watchEffect } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import { rememberedId } from './remembered'
import { courseZone } from './words'

export function useMe() {
  const query = useQuery({ queryKey: ['me'], queryFn: () => ask(client.GET('/api/me')), staleTime: 60_000 })
  watchEffect(() => (courseZone.value = query.data.value?.zone || undefined))
  return query
}

/** Whoever shows `me` shows this from now on. */
export function useShowMe() {
  const queries = useQueryClient()
  return (me: Schemas['MeOut']) => void queries.setQueryData(['me'], me)
}

/** Somebody else is logged in, or nobody: what was known of others is forgotten. */
export function useNowIs() {
  const queries = useQueryClient()
  const show = useShowMe()
  return (me: Schemas['MeOut']) => {
    queries.removeQueries({ predicate: (query) => query.queryKey[0] !== 'me' })
    show(me)
  }
}

// For this tab only: a new one begins with the session that is running.
const chosen = rememberedId('verifex-session', sessionStorage)

export function useSession() {
  const sessions = useQuery({
    queryKey: ['sessions'],
    queryFn: () => ask(client.GET('/api/sessions')),
    staleTime: 60_000,
  })
  const session = computed(
    () => sessions.data.value?.find((s) => s.id === chosen.value) ?? sessions.data.value?.[0] ?? null,
  )
  const choose = (id: number) => void (chosen.value = id)
  return { sessions, session, choose }
}
