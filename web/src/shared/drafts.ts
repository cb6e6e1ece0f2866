// A half-typed form survives a reload and a lost connection: drafts stay in the browser until handed in.
import { useStorage } from '@vueuse/core'
import { ref } from 'vue'

export interface Draft {
  text: string
  /** Sent with the hand-in, so that sending twice stores once; another text has another. */
  token: string
  /** The attempt this draft was begun from; 0 for none. */
  basedOn: number
}

export function newToken(): string {
  return crypto.randomUUID?.() ?? `${Date.now()}-${Math.random().toString(36).slice(2)}`
}

const PREFIX = 'verifex-draft-'
const keyOf = (docket: number, kind: string) => `${PREFIX}${docket}-${kind}`

/** Takes a draft out of the browser, also when whoever wrote it is gone from the page by now. */
export function forgetDraft(docket: number, kind: string) {
  localStorage.removeItem(keyOf(docket, kind))
}

const draftKeys = () =>
  Object.keys(localStorage).filter((key) => key.startsWith(PREFIX) && !!readDraft(localStorage.getItem(key)))

export const hasDraft = (docket: number, kind: string) =>
  !!readDraft(localStorage.getItem(keyOf(docket, kind)))

/** How many drafts this browser keeps. */
export const draftsHere = () => draftKeys().length

export function forgetAllDrafts() {
  for (const key of draftKeys()) localStorage.removeItem(key)
}

/** A draft as it was stored; null for none, and for what is no draft. */
export function readDraft(raw: string | null): Draft | null {
  try {
    const draft = JSON.parse(raw ?? 'null') as Draft | null
    return draft && typeof draft.text === 'string' ? draft : null
  } catch {
    return null
  }
}

/** The draft, and whether the browser could keep it (it may be full, or keep nothing at all). */
export function useDraft(docket: number, kind: string) {
  const lost = ref(false)
  const draft = useStorage<Draft | null>(keyOf(docket, kind), null, undefined, {
    onError: () => (lost.value = true),
    serializer: {
      read: readDraft,
      write: (value) => JSON.stringify(value),
    },
  })
  return { draft, lost }
}
