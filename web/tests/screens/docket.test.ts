// Decisions on a docket: each carries the revision it was based on, and a refusal is told where it was made.
import { describe, expect, it } from 'vitest'
import { router } from '@/router'
import { button, dialog, key, open } from './open'
import { NEVER, NUMBERS, PEOPLE, Refusal, until } from './server'

const { stopped, marked, session } = NUMBERS
const AT = `/dockets/${stopped}/wiring`
const API = `/api/dockets/${stopped}`
const DONE = { revision: 10, message: '' }
const STOP = 'sits at 0.00 V'

async function atWiring(changes: Record<string, unknown> = {}) {
  const screen = await open('instructor', AT, {
    [`POST ${API}/pass`]: DONE,
    [`POST ${API}/send-back`]: DONE,
    ...changes,
  })
  await screen.says(STOP)
  return screen
}

describe('a wiring with a Stop', () => {
  it('is not passed before the reason is said, and then as an overrule', async () => {
    const { server, press, type } = await atWiring()
    key('a')
    await until(() => dialog().includes('A Stop is open. Pass the wiring all the same?'))
    expect(dialog()).toContain('the reason is kept with your name')
    expect(button('Overrule and pass')).toHaveProperty('disabled', true)
    expect(server.sent).toEqual([])
    await type('Why it may pass', 'It is shown to the class, without power.')
    await press('Overrule and pass')
    await until(() => server.last())
    expect(server.last()).toMatchObject({
      path: `${API}/pass`,
      body: { station: 'wiring', overrule_reason: 'It is shown to the class, without power.', based_on: 9 },
    })
  })

  it('goes back with a word to the pair, which may stay away', async () => {
    const { server, press } = await atWiring()
    key('b')
    await until(() => dialog().includes('if you like'))
    await press('Send back')
    await until(() => server.last())
    expect(server.last()).toMatchObject({
      path: `${API}/send-back`,
      body: { station: 'wiring', reason: '', based_on: 9 },
    })
  })

  it('is decided on the newest revision: the answer to one act is the base of the next', async () => {
    const { server, press } = await atWiring()
    server.answers[API] = NEVER // the docket itself comes late
    for (const revision of [9, 10]) {
      key('b')
      await until(() => dialog())
      await press('Send back')
      await until(() => server.last()?.body.based_on === revision)
      await until(() => !dialog())
    }
  })

  it('tells what changed meanwhile where it is refused, and keeps the docket on the screen', async () => {
    const refused = new Refusal(409, 'Somebody else decided meanwhile.', {
      changes: ['Tomas Reed sent it back'],
    })
    const { says, press, page } = await atWiring({ [`POST ${API}/send-back`]: refused })
    key('b')
    await until(() => dialog())
    await press('Send back')
    await says('Somebody else decided meanwhile.')
    await says('Tomas Reed sent it back')
    expect(page()).toContain(STOP)
  })

  it('keeps its keys to itself while a reason is typed', async () => {
    const { server } = await atWiring()
    key('b')
    await until(() => dialog())
    key('a', document.querySelector('[role=dialog] textarea')!)
    expect(dialog()).not.toContain('A Stop is open')
    expect(server.sent).toEqual([])
  })
})

describe('moving about', () => {
  it('turns to the next station and back by the arrows, around the end', async () => {
    await atWiring()
    const at = () => router.currentRoute.value.path.split('/').at(-1)
    for (const [name, place] of [
      ['ArrowRight', 'power'],
      ['ArrowLeft', 'wiring'],
      ['ArrowLeft', 'kit'],
      ['ArrowLeft', 'mark'],
    ] as const) {
      key(name)
      await until(() => at() === place)
    }
  })

  it('goes on to the next pair of the Round, never to the same one', async () => {
    await atWiring()
    key('n')
    await until(() => router.currentRoute.value.path.startsWith('/dockets/'))
    const round = (PEOPLE.instructor.answers as Record<string, unknown>)[
      `/api/sessions/${session}/floor`
    ] as {
      round: { docket: number }[]
    }
    const next = round.round.find((visit) => visit.docket !== stopped)!.docket
    await until(() => router.currentRoute.value.params.id === String(next))
  })

  it('shows the station that the docket stands at where the address names none', async () => {
    const { says } = await open('instructor', `/dockets/${stopped}`)
    await says(STOP)
  })

  it('says that a docket is not there, and leads back to the Floor', async () => {
    const { says, page } = await open('instructor', '/dockets/99/wiring', {
      '/api/dockets/99': new Refusal(404, 'No such docket.'),
    })
    await says('This docket cannot be shown')
    expect(page()).toContain('Back to the Floor')
  })
})

describe('the marks', () => {
  const MARKS = `/api/dockets/${marked}/marks`
  const recorded = (PEOPLE.instructor.answers as Record<string, unknown>)[MARKS] as {
    total: string
    of: string
    criteria: { title: string }[]
  }

  it('stand with their evidence, criterion by criterion', async () => {
    const { says, page } = await open('instructor', `/dockets/${marked}/mark`)
    await says(`${recorded.total} of ${recorded.of}`)
    for (const row of recorded.criteria) expect(page()).toContain(row.title)
  })

  it('follow what the server says', async () => {
    const { says, server, queries } = await open('instructor', `/dockets/${marked}/mark`)
    await says(`${recorded.total} of ${recorded.of}`)
    server.answers[MARKS] = { ...recorded, total: '7.25' }
    await queries.invalidateQueries({ queryKey: ['docket-marks'] })
    await says(`7.25 of ${recorded.of}`)
  })
})
