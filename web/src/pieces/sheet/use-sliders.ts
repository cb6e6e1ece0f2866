// Sliders of a sheet: while one moves the browser interpolates, and when it rests the server gives the exact sheet.
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, type Ref, ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { shifts, type Slider } from './interpolate'

export interface SheetSource {
  /** What the sheet belongs to: part of the cache's key. */
  key: unknown[]
  sheet: (measured: Record<string, number>) => Promise<Schemas['SheetOut']>
  sliders: (reading: string) => Promise<Schemas['SlidersOut']>
}

export function useSliders(source: Ref<SheetSource>, sheet: Ref<Schemas['SheetOut']>, reading: Ref<string>) {
  const at = ref<Record<string, number>>({})
  const { data } = useQuery({
    queryKey: ['sliders', computed(() => source.value.key), reading],
    queryFn: () => source.value.sliders(reading.value),
    placeholderData: keepPreviousData,
    enabled: computed(() => !!reading.value),
  })
  const sliders = computed<Slider[]>(() => (data.value?.reading === reading.value ? data.value.sliders : []))
  const stimuli = computed(() => data.value?.stimuli ?? [])
  const moved = computed(() =>
    sliders.value.flatMap((s): [Slider, number][] =>
      at.value[s.key] === undefined || at.value[s.key] === s.value ? [] : [[s, at.value[s.key]!]],
    ),
  )
  const measured = computed(() => Object.fromEntries(moved.value.map(([s, value]) => [s.measures, value])))
  const resting = refDebounced(measured, 220)
  const { data: exact } = useQuery({
    queryKey: ['tried-sheet', computed(() => source.value.key), resting],
    queryFn: () => source.value.sheet(resting.value),
    enabled: computed(() => Object.keys(resting.value).length > 0),
    retry: false,
  })
  watch([reading, () => source.value.key.join()], () => (at.value = {}))

  /** The exact sheet once the sliders rest, else the last exact one. */
  const isExact = computed(
    () =>
      !moved.value.length ||
      (!!exact.value && JSON.stringify(resting.value) === JSON.stringify(measured.value)),
  )
  const shown = computed(() =>
    moved.value.length && isExact.value && exact.value ? exact.value : sheet.value,
  )
  /** How far the reading is off the shown sheet at a stimulus: nothing when that is exact. */
  const shift = (stimulus: number) =>
    isExact.value ? [0, 0, 0, 0, 0, 0] : shifts(stimuli.value, moved.value, stimulus)
  return { at, sliders, moved, shown, shift, isExact, reset: () => (at.value = {}) }
}
