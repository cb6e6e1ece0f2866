// What the stations with hand-ins share: their state, moving through findings, passing and sending back.
import { computed, type Ref, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { useStationKeys as texts } from '@texts/docket'
import { useDocket } from './use-docket'

export function useStationKeys(
  station: 'wiring' | 'program' | 'readings',
  findings: () => Schemas['FindingOut'][],
  chosen: Ref<number>,
) {
  const { docket, sendBack, pass, may } = useDocket()
  const asking = ref(false)
  const overruling = ref(false)
  const state = computed(() => docket.value?.stations.find((s) => s.station === station)?.state ?? '')
  const judged = computed(() => docket.value?.[station]?.judged ?? false)
  const mayPass = computed(() => may('pass', station) && judged.value)
  const maySendBack = computed(() => may('send-back', station))
  const stops = computed(() => findings().filter((f) => f.severity === 'stop'))
  const last = () => findings().length - 1
  const findingKeys = {
    ArrowDown: { does: texts.nextFinding, act: () => (chosen.value = Math.min(chosen.value + 1, last())) },
    ArrowUp: { does: texts.findingBefore, act: () => (chosen.value = Math.max(chosen.value - 1, 0)) },
  }
  /** Passes; with a Stop open it asks for the reason first. */
  function passIt() {
    if (!mayPass.value) return
    if (stops.value.length) overruling.value = true
    else void pass(station)
  }
  return {
    state,
    judged,
    findingKeys,
    asking,
    overruling,
    stops,
    mayPass,
    maySendBack,
    passIt,
    overrule: (reason: string) => void pass(station, reason),
    sendBack: (reason: string) => sendBack(station, reason),
  }
}
