// What the stations with hand-ins share: their state, moving through findings, sending back.
import { computed, type Ref, ref } from 'vue'
import { useDocket } from './use-docket'

export function useStationKeys(station: string, count: () => number, chosen: Ref<number>) {
  const { docket, sendBack } = useDocket()
  const asking = ref(false)
  const state = computed(() => docket.value?.stations.find((s) => s.station === station)?.state ?? '')
  const findingKeys = {
    ArrowDown: { does: 'next finding', act: () => (chosen.value = Math.min(chosen.value + 1, count() - 1)) },
    ArrowUp: { does: 'finding before', act: () => (chosen.value = Math.max(chosen.value - 1, 0)) },
  }
  return { state, findingKeys, asking, sendBack: (reason: string) => sendBack(station, reason) }
}
