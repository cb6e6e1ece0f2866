// Exercises of the reader's courses.
import { useQuery } from '@tanstack/vue-query'
import { ask, client } from '@/api/client'

export function useExercises() {
  return useQuery({ queryKey: ['exercises'], queryFn: () => ask(client.GET('/api/exercises')) })
}
