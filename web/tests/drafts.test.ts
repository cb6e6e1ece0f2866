import { beforeEach, describe, expect, it } from 'vitest'
import { draftsHere, forgetAllDrafts, readDraft } from '@/shared/drafts'

describe('drafts in the browser', () => {
  beforeEach(() => localStorage.clear())

  it('takes what is no draft for none instead of failing', () => {
    for (const raw of [null, '', 'null', '{', '[]', '7', '{"text":3}']) expect(readDraft(raw)).toBeNull()
    expect(readDraft('{"text":"wire a1 a2","token":"t","basedOn":1}')?.text).toBe('wire a1 a2')
  })

  it('counts and deletes the drafts at log-out, and nothing else', () => {
    localStorage.setItem('verifex-draft-3-wiring', '{"text":"wire","token":"t","basedOn":0}')
    localStorage.setItem('verifex-draft-3-program', 'null')
    localStorage.setItem('verifex-mode', 'dark')
    expect(draftsHere()).toBe(1)
    forgetAllDrafts()
    expect([draftsHere(), localStorage.getItem('verifex-mode')]).toEqual([0, 'dark'])
  })
})
