// Rooms drawn as they are, and a session as it is run: what is saved is what is seen, and what cannot be is said before it is sent.
import { describe, expect, it } from 'vitest'
import { button, open } from './open'
import { NUMBERS, PEOPLE, Refusal, until } from './server'

const { course, session } = NUMBERS
const answers = PEOPLE.instructor.answers as Record<string, unknown>
const COURSE = `/api/set-up/courses/${course}`
interface Bench {
  number: number
  row: number
  column: number
  name: string
}
const room = (answers[COURSE] as { rooms: { id: number; columns: number; benches: Bench[] }[] }).rooms[0]!
const SAVE = `PUT /api/set-up/rooms/${room.id}`

describe('a room', () => {
  const atRoom = async (changes: Record<string, unknown> = {}) => {
    const screen = await open('instructor', '/set-up/room', {
      [SAVE]: { message: 'Room 3 is saved.' },
      ...changes,
    })
    await until(() => button('Take bench 2 out'))
    const number = (row: number, column: number) =>
      screen.find<HTMLInputElement>(`[aria-label="Number of the bench in row ${row}, place ${column}"]`)
    const saved = () => screen.server.sent.at(-1)!.body as { benches: Bench[]; columns: number }
    return { ...screen, number, saved }
  }

  it('loses a bench by a press and gets it back with the first free number', async () => {
    const { press, saved, says, find } = await atRoom()
    await press('Take bench 2 out')
    await until(() => !button('Take bench 2 out'))
    find<HTMLElement>('.place:not(.bench) button')!.click()
    await until(() => button('Take bench 2 out'))
    await press('Take bench 5 out')
    await press('Save')
    await says('Room 3 is saved.')
    expect(
      saved()
        .benches.map((bench) => bench.number)
        .sort((a, b) => a - b),
    ).toEqual(room.benches.map((bench) => bench.number).filter((number) => number !== 5))
  })

  it('with one number twice is not saved, and says which', async () => {
    const { number, says, server } = await atRoom()
    const second = number(1, 2)!
    second.value = '1'
    second.dispatchEvent(new Event('input'))
    await says('Two benches have the number 1.')
    expect(button('Save')).toHaveProperty('disabled', true)
    second.value = '0'
    second.dispatchEvent(new Event('input'))
    await says('A bench has a number from 1 to 999.')
    expect(server.sent).toEqual([])
  })

  it('that is refused keeps what was drawn', async () => {
    const { press, says, page } = await atRoom({
      [SAVE]: new Refusal(422, 'Bench 2 has a pair in a session to come; give it another seat first.'),
    })
    await press('Take bench 2 out')
    await press('Save')
    await says('Bench 2 has a pair in a session to come')
    expect(page()).toContain(`${room.benches.length - 1} benches`)
  })

  it('that is not changed has nothing to save', async () => {
    await atRoom()
    expect(button('Save')).toHaveProperty('disabled', true)
  })
})

describe('a session', () => {
  const PLAN = `/api/set-up/sessions/${session}`
  const plan = answers[PLAN] as {
    session: Record<string, unknown>
    places: { pair: number; bench: number | null; name?: string }[]
  }
  const CONTROL = `POST ${PLAN}/control`
  const atSession = async (state: string, changes: Record<string, unknown> = {}) => {
    const shown = { ...plan, session: { ...plan.session, state } }
    const screen = await open('instructor', '/set-up/session', {
      [PLAN]: shown,
      [CONTROL]: plan.session,
      ...changes,
    })
    await until(() => screen.page().includes('Room 3'))
    const row = () => document.querySelector<HTMLElement>('tbody button.link')
    await until(row)
    row()!.click()
    return screen
  }

  it('that runs is paused or ended, and one to come is started', async () => {
    const running = await atSession('running')
    await running.press('Pause')
    await until(() => running.server.sent.length)
    expect(running.server.sent[0]!.body).toEqual({ act: 'pause' })
    const coming = await atSession('to come')
    await coming.press('Start it now')
    await until(() => coming.server.sent.length)
    expect(coming.server.sent[0]!.body).toEqual({ act: 'start' })
  })

  it('says why it cannot be paused', async () => {
    const { press, says } = await atSession('running', {
      [CONTROL]: new Refusal(422, 'This session is paused already.'),
    })
    await press('Pause')
    await says('This session is paused already.')
  })
})
