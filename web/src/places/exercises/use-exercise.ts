// One exercise version: its sheet for a board and a variant, what keeps it from release, its file.
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import type { SheetSource } from '@/pieces/sheet/use-sliders'

export type Exercise = Schemas['ExerciseOut']

export function useSheet(id: Ref<number>, board: Ref<string>, variant: Ref<string>) {
  const at = () => ({ params: { path: { version_id: id.value } } })
  const body = (measured: Record<string, number> = {}) => ({
    variant: variant.value,
    board: board.value,
    measured,
  })
  const source = computed<SheetSource>(() => ({
    key: ['exercise', id.value, board.value, variant.value],
    sheet: (measured) =>
      ask(client.POST('/api/exercises/{version_id}/sheet', { ...at(), body: body(measured) })),
    sliders: (reading) =>
      ask(
        client.POST('/api/exercises/{version_id}/sliders', {
          params: { path: { version_id: id.value }, query: { reading } },
          body: body(),
        }),
      ),
  }))
  const query = useQuery({
    queryKey: ['exercise-sheet', id, board, variant],
    queryFn: () => source.value.sheet({}),
    enabled: computed(() => id.value > 0),
    // Another board or variant of the same exercise may stand there until its own sheet comes; another exercise may not.
    placeholderData: (before, query) => (query?.queryKey[1] === id.value ? before : undefined),
  })
  return { source, sheet: query.data, error: query.error }
}

export function useObstacles(id: Ref<number>, wanted: Ref<boolean>) {
  return useQuery({
    queryKey: ['obstacles', id],
    queryFn: () =>
      ask(
        client.GET('/api/exercises/{version_id}/obstacles', { params: { path: { version_id: id.value } } }),
      ),
    enabled: wanted,
  })
}

/** What follows besides the sheet: kit, resistor windows, hazards, bench time, what each way of feeding costs. */
export function useDerived(id: Ref<number>) {
  return useQuery({
    queryKey: ['derived', id],
    queryFn: () =>
      ask(client.GET('/api/exercises/{version_id}/derived', { params: { path: { version_id: id.value } } })),
  })
}

export function useActs() {
  const queries = useQueryClient()
  const onSuccess = () => queries.invalidateQueries({ queryKey: ['exercises'] })
  const bringIn = useMutation({
    mutationFn: (text: string) => ask(client.POST('/api/exercises', { body: { text } })),
    onSuccess,
  })
  const release = useMutation({
    mutationFn: (id: number) =>
      ask(client.POST('/api/exercises/{version_id}/release', { params: { path: { version_id: id } } })),
    onSuccess,
  })
  return { bringIn, release }
}

/** Hands the exercise's file to the browser to keep. */
export async function downloadFile(id: number) {
  const file = await ask(
    client.GET('/api/exercises/{version_id}/file', { params: { path: { version_id: id } } }),
  )
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([file.text], { type: 'application/yaml' }))
  link.download = file.name
  link.click()
  URL.revokeObjectURL(link.href)
}
