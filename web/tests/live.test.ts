// Listening to a board: lines as they come, what is said of them, a step's mark, and a connection that is gone.
import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, ref } from 'vue'
import { useLive } from '@/queries/live'
import { Refusal, standIn } from './screens/server'

class Source {
  static readonly CLOSED = 2
  static all: Source[] = []
  readyState = 1
  onmessage: ((event: { data: string }) => void) | null = null
  onerror: (() => void) | null = null
  constructor(readonly url: string) {
    Source.all.push(this)
  }
  close() {
    this.readyState = Source.CLOSED
  }
  say(lines: string[], open = true) {
    this.onmessage?.({ data: JSON.stringify({ lines, open, code: 'K7', quiet: false, heard: true }) })
  }
}
const API = '/api/my/dockets/3/live'
const scopes: ReturnType<typeof effectScope>[] = []
function listen(changes: Record<string, unknown> = {}) {
  const server = standIn('pair', changes)
  vi.useFakeTimers({ now: new Date('2031-03-03T10:00:00Z') })
  const scope = effectScope()
  scopes.push(scope)
  const docket = ref(3)
  const live = scope.run(() => useLive(docket, true))!
  return { live, server, docket, scope, source: () => Source.all.at(-1)! }
}
async function pass(ms: number) {
  await vi.advanceTimersByTimeAsync(ms)
  await flushPromises()
}

beforeEach(() => {
  Source.all = []
  vi.stubGlobal('EventSource', Source)
})
afterEach(() => {
  scopes.splice(0).forEach((scope) => scope.stop())
  vi.useRealTimers()
})

describe('lines', () => {
  it('are put behind those that are there, and the state is the newest one', () => {
    const { live, source } = listen()
    source().say(['21.0', '21.1'])
    source().say(['21.2'])
    expect(live.lines.value).toEqual(['21.0', '21.1', '21.2'])
    expect(live.now.value).toMatchObject({ open: true, code: 'K7', heard: true })
  })

  it('of another docket take their place', async () => {
    const { live, source, docket } = listen()
    const first = source()
    first.say(['21.0'])
    docket.value = 4
    await flushPromises()
    expect(first.readyState).toBe(Source.CLOSED)
    expect(live.lines.value).toEqual([])
    expect(source().url).toBe('/api/my/dockets/4/live')
  })

  it('end when the feed is closed, and when the screen is left', () => {
    const { source, scope } = listen()
    source().say(['21.0'], false)
    expect(source().readyState).toBe(Source.CLOSED)
    const other = listen()
    other.scope.stop()
    expect(other.source().readyState).toBe(Source.CLOSED)
    expect(scope.active).toBe(true)
  })
})

describe('a lost connection', () => {
  it('is told only where the browser does not come again by itself', () => {
    const { live, source } = listen()
    source().say(['21.0'])
    source().onerror!()
    expect(live.lost.value).toBe(false) // it will come again
    source().readyState = Source.CLOSED
    source().onerror!()
    expect(live.lost.value).toBe(true)
  })
})

describe('what is said of the lines', () => {
  const said = { verdict: 'in limits', steps: [], findings: [] }

  it('is asked for when there are new ones, and not again for the same', async () => {
    let times = 0
    const { live, source } = listen({ [`GET ${API}/said`]: () => ((times += 1), said) })
    await pass(3000)
    expect(times).toBe(0)
    source().say(['21.0'])
    await pass(1600)
    await pass(1600)
    expect(times).toBe(1)
    expect(live.said.value).toMatchObject({ verdict: 'in limits' })
    source().say(['21.1'])
    await pass(1600)
    expect(times).toBe(2)
  })

  it('is asked for again where the server was too busy', async () => {
    let busy = true
    const { live, source } = listen({
      [`GET ${API}/said`]: () => (busy ? new Refusal(503, 'A moment.') : said),
    })
    source().say(['21.0'])
    await pass(1600)
    expect(live.said.value).toBeNull()
    busy = false
    await pass(1600)
    expect(live.said.value).toMatchObject({ verdict: 'in limits' })
    expect(live.error.value).toBeNull()
  })
})

describe('acts', () => {
  it('a mark names its step; a refusal is told and nothing else happens', async () => {
    const { live, server } = listen({
      [`POST ${API}/mark`]: {},
      [`POST ${API}/stop`]: new Refusal(409, 'It is stopped already.'),
    })
    expect(await live.run('mark', 'Room air')).toBe(true)
    expect(server.last()!.body).toEqual({ step: 'Room air' })
    expect(await live.run('stop')).toBe(false)
    expect(live.error.value).toMatchObject({ message: 'It is stopped already.' })
  })

  it('opening begins with no lines and listens anew', async () => {
    const { live, source } = listen({ [`POST ${API}`]: {} })
    source().say(['old'])
    const before = Source.all.length
    expect(await live.run('open')).toBe(true)
    expect(live.lines.value).toEqual([])
    expect(Source.all.length).toBe(before + 1)
  })
})
