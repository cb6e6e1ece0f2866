// Scans in the order they came: each is read and answered while the next ones are typed already; none is lost.
import { useQueryClient } from '@tanstack/vue-query'
import { computed, type Ref, ref } from 'vue'
import { ApiError, ask, client } from '@/api/client'
import { STORES_STALE } from '@/queries/stores'
import { play } from '@/shared/sounds'
import { useScans as texts } from '@texts/hatch'

export type Mode = 'out' | 'back'
export interface Answer {
  id: number
  at: number
  good: boolean
  text: string
  /** The kit that was just taken back: it can be given back, or a fault written down. */
  back?: string
}
interface Read {
  kind: string
  code: string
  named: string
}
const KEPT = 12

export function useScans(session: Ref<number | undefined>, mode: Ref<Mode>) {
  const queries = useQueryClient()
  const waiting = ref<{ code: string; mode: Mode }[]>([])
  const kit = ref<Read | null>(null)
  const badge = ref<Read | null>(null)
  const answers = ref<Answer[]>([])
  const busy = ref(false)
  let number = 0

  function answer(good: boolean, text: string, back?: string) {
    play(good ? 'yes' : 'no')
    answers.value = [{ id: ++number, at: Date.now(), good, text, back }, ...answers.value].slice(0, KEPT)
  }
  /** A kit that was held back can go out again. */
  async function putRight(tag: string) {
    try {
      answer(true, (await ask(client.POST('/api/hatch/put-right', { body: { tag } }))).message)
    } catch (wrong) {
      answer(false, wrong instanceof ApiError ? wrong.message : texts.failed)
    }
    for (const key of STORES_STALE) void queries.invalidateQueries({ queryKey: [key] })
  }
  function forget() {
    kit.value = badge.value = null
  }
  async function read(code: string) {
    const found = await ask(client.POST('/api/hatch/read', { body: { session: session.value!, code } }))
    if (found.kind === 'kit') kit.value = found
    else badge.value = found
    if (!kit.value || !badge.value) return
    const body = { session: session.value!, tag: kit.value.code, badge: badge.value.code }
    const done = await ask(client.POST('/api/hatch/hand-out', { body }))
    forget()
    answer(true, done.message)
  }
  async function takeBack(code: string) {
    const done = await ask(client.POST('/api/hatch/take-back', { body: { tag: code, faults: [], ref: '' } }))
    answer(true, done.message, code.trim().toUpperCase())
  }
  async function workThrough() {
    if (busy.value) return
    busy.value = true
    while (waiting.value.length) {
      const next = waiting.value.shift()!
      try {
        await (next.mode === 'out' ? read(next.code) : takeBack(next.code))
      } catch (wrong) {
        // What was refused is forgotten, so that the next scan begins afresh.
        forget()
        answer(false, wrong instanceof ApiError ? wrong.message : String(wrong))
      }
    }
    busy.value = false
    for (const key of STORES_STALE) void queries.invalidateQueries({ queryKey: [key] })
  }
  /** A code as it was scanned or typed. */
  function scan(code: string) {
    if (!code.trim() || session.value === undefined) return
    waiting.value.push({ code: code.trim(), mode: mode.value })
    void workThrough()
  }
  async function afterwards(call: () => Promise<{ message: string }>, of: Answer) {
    try {
      const done = await call()
      answers.value = answers.value.map((a) => (a.id === of.id ? { ...a, back: undefined } : a))
      answer(true, done.message)
    } catch (wrong) {
      answer(false, wrong instanceof ApiError ? wrong.message : String(wrong))
    }
    for (const key of STORES_STALE) void queries.invalidateQueries({ queryKey: [key] })
  }
  return {
    scan,
    forget,
    answers,
    busy,
    pending: computed(() => (kit.value || badge.value ? { kit: kit.value, badge: badge.value } : null)),
    undo: (of: Answer) =>
      afterwards(() => ask(client.POST('/api/hatch/undo-take-back', { body: { tag: of.back! } })), of),
    putRight,
    tell: (text: string) => answer(true, text),
  }
}
