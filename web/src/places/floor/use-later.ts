// Visits put later: kept on this device until the pair was seen to or asks anew, so a reload forgets nothing.
import { useStorage } from '@vueuse/core'
import { type Ref, watch } from 'vue'
import type { Schemas } from '@/api/client'

type Visit = Schemas['VisitOut']
const nameOf = (visit: Visit) => `${visit.docket}@${visit.since}`

export function useLater(round: Ref<Visit[] | undefined>) {
  const later = useStorage<string[]>('verifex-later', [])
  watch(round, (list) => {
    if (list) later.value = later.value.filter((name) => list.some((visit) => nameOf(visit) === name))
  })
  return {
    isLater: (visit: Visit) => later.value.includes(nameOf(visit)),
    put: (visit: Visit) => {
      later.value = [...later.value.filter((name) => name !== nameOf(visit)), nameOf(visit)]
    },
  }
}
