// The Floor's session, its room, and the Round in the order it is walked: what was put later comes last.
import { computed } from 'vue'
import { useFloor } from '@/queries/floor'
import { useSession } from '@/shared/me'
import { useLater } from './use-later'

export function useRound() {
  const { session, sessions } = useSession()
  const floor = useFloor(
    computed(() => session.value?.id),
    { often: true },
  )
  const later = useLater(computed(() => floor.data.value?.round))
  const visits = computed(() => {
    const all = floor.data.value?.round ?? []
    return [...all.filter((v) => !later.isLater(v)), ...all.filter((v) => later.isLater(v))]
  })
  function putLater(docket: number | undefined) {
    const visit = floor.data.value?.round.find((v) => v.docket === docket)
    if (visit) later.put(visit)
  }
  return { session, sessions, floor, visits, putLater }
}
