// A half-typed form survives a reload and a lost connection: drafts stay in the browser until handed in.
import { useStorage } from '@vueuse/core'

export interface Draft {
  text: string
  /** Sent with the hand-in, so that sending twice stores once; renewed after each success. */
  token: string
  /** The attempt this draft was begun from; 0 for none. */
  basedOn: number
}

export function newToken(): string {
  return crypto.randomUUID?.() ?? `${Date.now()}-${Math.random().toString(36).slice(2)}`
}

export function useDraft(docket: number, kind: string) {
  return useStorage<Draft | null>(`verifex-draft-${docket}-${kind}`, null, undefined, {
    serializer: {
      read: (raw) => (raw ? (JSON.parse(raw) as Draft) : null),
      write: (value) => JSON.stringify(value),
    },
  })
}
