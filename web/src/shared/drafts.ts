// A half-typed form survives a reload and a lost connection: drafts stay in the browser until handed in.
import { useStorage } from '@vueuse/core'

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

const keyOf = (docket: number, kind: string) => `verifex-draft-${docket}-${kind}`

/** Takes a draft out of the browser, also when whoever wrote it is gone from the page by now. */
export function forgetDraft(docket: number, kind: string) {
  localStorage.removeItem(keyOf(docket, kind))
}

export function useDraft(docket: number, kind: string) {
  return useStorage<Draft | null>(keyOf(docket, kind), null, undefined, {
    serializer: {
      read: (raw) => (raw ? (JSON.parse(raw) as Draft) : null),
      write: (value) => JSON.stringify(value),
    },
  })
}
