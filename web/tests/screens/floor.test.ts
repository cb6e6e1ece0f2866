// The Floor and the Round: who needs a person first, put later, opened by its number; what is clean passed together.
import { describe, expect, it } from 'vitest'
import { router } from '@/router'
import { button, dialog, key, open, tick } from './open'
import { NUMBERS, PEOPLE, Refusal, until } from './server'

const FLOOR = `/api/sessions/${NUMBERS.session}/floor`
interface Visit {
  docket: number
  bench: number
  pair: string
  since: string
}
interface Bench {
  bench: number
  docket: number | null
  clean: boolean
  pair: string
  revision: number
}
const floor = (PEOPLE.instructor.answers as Record<string, unknown>)[FLOOR] as {
  round: Visit[]
  benches: Bench[]
  hatch: string[]
}
const [first, second] = floor.round as [Visit, Visit]
const at = () => router.currentRoute.value.path

async function atFloor(changes: Record<string, unknown> = {}) {
  const screen = await open('instructor', '/floor', changes)
  await screen.says(`Open bench ${first.bench}`)
  return screen
}

describe('the Round', () => {
  it('begins with what is dangerous, and says so', async () => {
    const { page } = await atFloor()
    expect(page()).toContain('Keep the power off.')
    expect(page()).toContain(`${floor.round.length} pairs wait`)
  })

  it('puts a visit behind the others, also after a reload, until the pair asks anew', async () => {
    const { says, server, queries } = await atFloor()
    key('l')
    await says(`Open bench ${second.bench}`)
    expect(localStorage.getItem('verifex-later')).toContain(`${first.docket}@${first.since}`)
    const asked = { ...first, since: '2031-01-01T10:00:00Z' }
    server.answers[FLOOR] = { ...floor, round: [asked, ...floor.round.slice(1)] }
    await queries.invalidateQueries({ queryKey: ['floor'] })
    await says(`Open bench ${first.bench}`)
  })

  it('opens its first by Enter and any bench by its number and Enter', async () => {
    await atFloor()
    key('Enter')
    await until(() => at() === `/dockets/${first.docket}`)
    await router.push('/floor')
    await until(() => button(`Open bench ${first.bench}`))
    for (const digit of ['1', '1', 'Enter']) key(digit)
    const eleven = floor.benches.find((bench) => bench.bench === 11)!
    await until(() => at() === `/dockets/${eleven.docket}`)
  })

  it('is quiet when nobody waits', async () => {
    const { says } = await open('instructor', '/floor', { [FLOOR]: { ...floor, round: [], hatch: [] } })
    await says('Nobody waits')
    await says('Time for a walk along the benches.')
  })

  it('says one pair as one', async () => {
    const { says } = await open('instructor', '/floor', { [FLOOR]: { ...floor, round: [first] } })
    await says('1 pair waits')
  })

  it('stays what it was when the server is gone for a moment, and says so', async () => {
    const { says, server, queries, page } = await atFloor()
    server.answers[FLOOR] = new Refusal(503, 'The server rests.')
    await queries.invalidateQueries({ queryKey: ['floor'] })
    await says('What you see is from')
    expect(page()).toContain(`Open bench ${first.bench}`)
  })
})

describe('what is clean', () => {
  const clean = floor.benches.map((bench) => ({ ...bench, clean: [first.bench, 3, 4].includes(bench.bench) }))
  const PASS = `POST /api/sessions/${NUMBERS.session}/pass-clean`

  it('is passed together after a look, each with the revision that was looked at', async () => {
    const { press, server } = await atFloor({
      [FLOOR]: { ...floor, benches: clean },
      [PASS]: { passed: 2, changed: [], message: '' },
    })
    await press('Pass 3 clean')
    await until(() => dialog().includes('Each can be undone for 15 minutes.'))
    tick('[role=dialog]')
    await press('Pass 2')
    await until(() => server.last())
    const picked = clean.filter((bench) => bench.clean).slice(1)
    expect(server.last()!.body.dockets).toEqual(
      Object.fromEntries(picked.map((b) => [String(b.docket), b.revision])),
    )
    await until(() => !dialog())
  })

  it('names what changed meanwhile and leaves the list open', async () => {
    const { press, says } = await atFloor({
      [FLOOR]: { ...floor, benches: clean },
      [PASS]: { passed: 1, changed: ['Brandt · Yilmaz'], message: '' },
    })
    await press('Pass 3 clean')
    await until(() => dialog())
    await press('Pass 3')
    await says('Changed meanwhile, so left as they are: Brandt · Yilmaz.')
    expect(dialog()).not.toBe('')
  })

  it('is no button for an assistant', async () => {
    const { says, page } = await open('assistant', '/floor', { [FLOOR]: { ...floor, benches: clean } })
    await says('Round')
    await says('Castell · Nwosu')
    expect(page()).not.toContain('clean')
  })
})

describe('an empty installation', () => {
  it('says that no session is planned instead of loading for ever', async () => {
    const { says, page } = await open('instructor', '/floor', { '/api/sessions': [] })
    await says('No session')
    expect(page()).not.toContain('Loading')
  })
})
