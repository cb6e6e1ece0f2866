// One docket: its data, the acts on it, and what was refused. Every act carries the revision it was based on.
import { useMutation, useQueryClient } from '@tanstack/vue-query'
import { computed, type InjectionKey, inject, provide, type Ref, ref } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import { docketQuery, useDocketQuery } from '@/queries/docket'
import { useMe } from '@/shared/me'
import { notify } from '@/shared/notices'
import { useDocket as texts } from '@texts/docket'
import { decidedWords } from '@texts/words'

export type Docket = Schemas['DocketOut']

function make(id: Ref<number>) {
  const queries = useQueryClient()
  const { data: me } = useMe()
  const refused = ref<unknown>(null)
  const path = computed(() => ({ docket_id: id.value }))
  const query = useDocketQuery(id)
  const docket = query.data

  async function refresh(of = id.value) {
    await Promise.all([
      queries.invalidateQueries({ queryKey: ['docket', of] }),
      queries.invalidateQueries({ queryKey: ['sheets', of] }),
      queries.invalidateQueries({ queryKey: ['docket-marks', of] }),
      queries.invalidateQueries({ queryKey: ['floor'] }),
    ])
  }
  const act = useMutation({
    mutationFn: (call: () => Promise<unknown>) => call(),
    onMutate: () => (refused.value = null),
    // The answer names the new revision, so that the next act need not wait for the reload.
    onSuccess: (done) => {
      const revision = (done as { revision?: number }).revision
      if (revision === undefined) return
      queries.setQueryData<Docket>(['docket', id.value], (old) => (old ? { ...old, revision } : old))
    },
    onSettled: () => void refresh(),
  })
  /** Carry a decision out; a refusal is shown above the station, and tells the caller with `false`. */
  async function decide(call: () => Promise<unknown>): Promise<boolean> {
    try {
      await act.mutateAsync(call)
      return true
    } catch (wrong) {
      refused.value = wrong
      return false
    }
  }
  const basedOn = () => docket.value?.revision
  const params = () => ({ params: { path: path.value } })
  /** What was decided here, to be undone from the next screen: by docket, until it has answered. */
  const decided = new Map<number, Promise<boolean>>()
  function decision(call: () => Promise<unknown>): Promise<boolean> {
    const answer = decide(call)
    decided.set(id.value, answer)
    return answer
  }
  async function undoOf(docketId: number, revision: number | undefined) {
    const path = { docket_id: docketId }
    await ask(
      client.POST('/api/dockets/{docket_id}/undo', { params: { path }, body: { based_on: revision } }),
    )
    await refresh(docketId)
  }
  /** On leaving this docket: a decision made here can be undone from the next screen as well, while it is fresh. */
  async function offerUndo() {
    const left = id.value
    const answer = decided.get(left)
    decided.delete(left)
    if (!(await answer)) return
    const fresh = await queries.fetchQuery(docketQuery(left))
    // A colleague may have decided since.
    if (!fresh.undo || fresh.undo.by !== me.value?.name) return
    const words = texts.youDecided(fresh.pair, decidedWords(fresh.undo))
    notify(words, { undo: () => undoOf(left, fresh.revision) })
  }

  return {
    id,
    docket,
    query,
    refused,
    busy: act.isPending,
    refresh,
    /** Passing with a Stop open is an overrule and needs its reason. */
    pass: (station: string, overruleReason = '') =>
      decision(() =>
        ask(
          client.POST('/api/dockets/{docket_id}/pass', {
            ...params(),
            body: { station, reason: '', overrule_reason: overruleReason, based_on: basedOn() },
          }),
        ),
      ),
    /** Undo the last decision, while it is fresh. */
    undo: () => {
      decided.delete(id.value)
      return decide(() => undoOf(id.value, basedOn()))
    },
    offerUndo,
    /** Whether this act is possible for the reader now, as the server says. */
    may: (act: string, station: string) =>
      !!docket.value?.acts.some((a) => a.act === act && a.station === station),
    sendBack: (station: string, reason = '') =>
      decision(() =>
        ask(
          client.POST('/api/dockets/{docket_id}/send-back', {
            ...params(),
            body: { station, reason, based_on: basedOn() },
          }),
        ),
      ),
    reopen: (station: string, reason: string) =>
      decision(() =>
        ask(
          client.POST('/api/dockets/{docket_id}/reopen', {
            ...params(),
            body: { station, reason, based_on: basedOn() },
          }),
        ),
      ),
    clear: (wiringAttempt: number, compared: boolean, overruleReason: string) =>
      decision(() =>
        ask(
          client.POST('/api/dockets/{docket_id}/clear', {
            ...params(),
            body: {
              wiring_attempt: wiringAttempt,
              compared,
              overrule_reason: overruleReason,
              based_on: basedOn(),
            },
          }),
        ),
      ),
    measure: (name: string, value: number, instrument: string) =>
      act.mutateAsync(() =>
        ask(
          client.POST('/api/dockets/{docket_id}/measure', { ...params(), body: { name, value, instrument } }),
        ),
      ),
    /** What a constant of a library stands for, for all pairs with this exercise. */
    explain: (name: string, standsFor: string) =>
      decide(() =>
        ask(
          client.POST('/api/dockets/{docket_id}/constants', {
            ...params(),
            body: { name, stands_for: standsFor },
          }),
        ),
      ),
    /** An unfinished docket goes on in a later session. */
    carryOver: (session: number) =>
      decide(() =>
        ask(client.POST('/api/dockets/{docket_id}/carry-over', { ...params(), body: { session } })),
      ),
    claim: (release = false) =>
      decide(() => ask(client.POST('/api/dockets/{docket_id}/claim', { ...params(), body: { release } }))),
    handIn: (kind: string, text: string, token: string, basedOnAttempt: number) =>
      act.mutateAsync(() =>
        ask(
          client.POST('/api/dockets/{docket_id}/hand-in', {
            ...params(),
            body: { kind, text, token, based_on_attempt: basedOnAttempt },
          }),
        ),
      ),
    give: (criterion: string, marks: string | null, reason: string) =>
      decide(() =>
        ask(
          client.POST('/api/dockets/{docket_id}/marks', {
            ...params(),
            body: { criterion, marks, reason, based_on: basedOn() },
          }),
        ),
      ),
    student: (user: number, absent: boolean, adjustment: string, reason: string) =>
      decide(() =>
        ask(
          client.POST('/api/dockets/{docket_id}/students', {
            ...params(),
            body: { user, absent, adjustment, reason, based_on: basedOn() },
          }),
        ),
      ),
    reopenMarking: (reason: string) =>
      decide(() =>
        ask(
          client.POST('/api/dockets/{docket_id}/reopen-marking', {
            ...params(),
            body: { station: 'mark', reason, based_on: basedOn() },
          }),
        ),
      ),
    /** Closing says what was decided about a log that is worth a second look. */
    closeMarking: (secondLook = '') =>
      decide(() =>
        ask(
          client.POST('/api/dockets/{docket_id}/close-marking', {
            ...params(),
            body: { second_look: secondLook, based_on: basedOn() },
          }),
        ),
      ),
    /** What could not be checked is checked now. */
    checkAgain: () => decide(() => ask(client.POST('/api/dockets/{docket_id}/check-again', params()))),
  }
}

export type DocketActs = ReturnType<typeof make>
const KEY: InjectionKey<DocketActs> = Symbol('docket')

export function provideDocket(id: Ref<number>): DocketActs {
  const acts = make(id)
  provide(KEY, acts)
  return acts
}

export function useDocket(): DocketActs {
  const acts = inject(KEY)
  if (!acts) throw new Error('useDocket belongs inside Docket.vue')
  return acts
}
