// Calls to the server: what a refusal carries, a lost connection, the token of the page, and a clock that goes wrong.
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { ApiError, ask, client, serverAheadMs } from '@/api/client'
import { base64Of, saveFile } from '@/shared/files'
import { wire } from './setup'

const json = (body: object, status = 200, headers: Record<string, string> = {}) =>
  new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json', ...headers } })
let asked: Request[] = []
function answer(reply: () => Response | Promise<Response>) {
  asked = []
  wire.answer = async (input, init) => {
    asked.push(input instanceof Request ? input : new Request(new URL(String(input), location.href), init))
    return reply()
  }
}
const me = () => ask(client.GET('/api/me'))

beforeEach(() => {
  document.cookie = 'csrftoken=abc123'
  serverAheadMs.value = 0
})

describe('an answer', () => {
  it('is what the server says', async () => {
    answer(() => json({ name: 'Ines Marlow' }))
    expect(await me()).toEqual({ name: 'Ines Marlow' })
  })

  it('that refuses carries its words, its places and what changed', async () => {
    const problems = [{ line: 3, column: 1, message: 'no' }]
    answer(() => json({ message: 'Not so.', problems, changes: ['it was sent back'] }, 409))
    const wrong = (await me().catch((error: unknown) => error)) as ApiError
    expect(wrong).toBeInstanceOf(ApiError)
    expect(wrong).toMatchObject({ message: 'Not so.', status: 409, problems, changes: ['it was sent back'] })
  })

  it('without words of its own is told in plain ones', async () => {
    answer(() => json({}, 500))
    await expect(me()).rejects.toThrow('The server could not do that. Nothing was lost; try again.')
  })

  it('that does not come says that the connection is lost', async () => {
    answer(() => Promise.reject(new TypeError('Failed to fetch')))
    await expect(me()).rejects.toMatchObject({
      status: 0,
      message: expect.stringContaining('The connection is lost.') as string,
    })
  })
})

describe('a question', () => {
  it('that changes something carries the token of the page, one that only asks does not', async () => {
    answer(() => json({}))
    await me()
    await ask(client.POST('/api/log-out'))
    expect(asked.map((request) => request.headers.get('X-CSRFToken'))).toEqual([null, 'abc123'])
  })
})

describe('the clock', () => {
  const said = (ahead: number) => ({ Date: new Date(Date.now() + ahead).toUTCString() })

  it('of the server counts where the device’s own is wrong', async () => {
    answer(() => json({}, 200, said(3_600_000)))
    await me()
    expect(serverAheadMs.value / 3_600_000).toBeCloseTo(1, 2)
  })

  it('that differs by the part of a second the header leaves out is right', async () => {
    vi.useFakeTimers({ toFake: ['Date'], now: Date.parse('2026-11-30T10:00:00.999Z') })
    answer(() => json({}, 200, said(0)))
    await me()
    vi.useRealTimers()
    expect(serverAheadMs.value).toBe(0)
  })

  it('is kept where an answer has no date', async () => {
    serverAheadMs.value = 5000
    answer(() => json({}, 200))
    await me()
    expect(serverAheadMs.value).toBe(5000)
  })
})

describe('files', () => {
  it('go as base64, whatever bytes they hold', async () => {
    const bytes = new Uint8Array(100_000).map((_, n) => n % 256)
    const back = atob(await base64Of(new Blob([bytes])))
    expect(back).toHaveLength(100_000)
    expect(back.charCodeAt(99_999)).toBe(99_999 % 256)
  })

  it('are saved under their name, or the refusal is told', async () => {
    const clicked: string[] = []
    vi.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (this: HTMLAnchorElement) {
      clicked.push(this.download)
    })
    vi.stubGlobal(
      'URL',
      Object.assign(URL, { createObjectURL: () => 'blob:x', revokeObjectURL: () => undefined }),
    )
    answer(() => new Response('PDF'))
    expect(await saveFile('/api/x', 'slips.pdf')).toEqual({ message: 'slips.pdf is saved.' })
    expect(clicked).toEqual(['slips.pdf'])
    answer(() => json({ message: 'Everybody has logged in already.' }, 422))
    await expect(saveFile('/api/x', 'slips.pdf')).rejects.toThrow('Everybody has logged in already.')
  })
})
