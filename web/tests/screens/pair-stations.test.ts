// A pair's other stations: power, predictions, marks, the kit; each says what comes next and nothing of what it may not know.
import { describe, expect, it } from 'vitest'
import { button, choose, field, open } from './open'
import { NUMBERS, PEOPLE, Refusal, until } from './server'

const API = `/api/my/dockets/${NUMBERS.stopped}`
type Station = { station: string; state: string | null; since: string | null }
type MyDocket = Record<string, unknown> & {
  stations: Station[]
  exercise: Record<string, unknown> & { cautions: string[]; steps: { name: string }[] }
}
const recorded = (PEOPLE.pair.answers as unknown as Record<string, MyDocket>)[API]!
const DONE = { revision: 11, message: '' }

/** The pair's docket with these stations in these states. */
function docket(states: Record<string, string | null>, more: object = {}) {
  const stations = recorded.stations.map((one) =>
    one.station in states ? { ...one, state: states[one.station]! } : one,
  )
  return { ...recorded, stations, ...more }
}
const at = (station: string, shown: object, changes: Record<string, unknown> = {}) =>
  open('pair', `/my-bench?station=${station}`, { [API]: shown, ...changes })

describe('power', () => {
  const working = docket({ wiring: 'passed', power: 'working' }, { current: 'power' })

  it('is asked for, and the cautions stand there before', async () => {
    const { says, press, server } = await at('power', working, { [`POST ${API}/ask`]: DONE })
    await says('Ask for power')
    for (const caution of recorded.exercise.cautions) await says(caution)
    await press('Ask for power')
    await until(() => server.sent.some((one) => one.path === `${API}/ask`))
    expect(server.sent.find((one) => one.path === `${API}/ask`)!.body).toMatchObject({ station: 'power' })
  })

  it('that is cleared says that a wire is moved without power only, and what is worth measuring', async () => {
    const measurables = [
      { name: 'rail', label: 'Supply, between 5V and GND', unit: 'V', how: '', agrees: null, said: '' },
    ]
    const cleared = docket(
      { wiring: 'passed', power: 'passed' },
      { current: 'power', cleared: true, measurables },
    )
    const { says, type, server } = await at('power', cleared, { [`POST ${API}/measure`]: DONE })
    await says('Power off before any wire is moved.')
    await type('Supply, between 5V and GND', '4.93 V')
    field('Supply, between 5V and GND')!.form!.dispatchEvent(new Event('submit', { cancelable: true }))
    await until(() => server.sent.some((one) => one.path === `${API}/measure`))
    expect(server.sent.at(-1)!.body).toMatchObject({ name: 'rail', value: 4.93 })
  })

  it('that is taken away says so above everything, and how it comes back', async () => {
    const voided = docket({ power: 'voided' }, { current: 'power', voided: 'the wiring was changed' })
    const { says, find } = await at('power', voided)
    await says('Power off.')
    await says('The wiring was changed. Ask for power again when it is mended.')
    expect(find('[role=alert]')!.textContent).toContain('Power off.')
  })

  it('before the wiring was looked at cannot be asked for', async () => {
    const { says } = await at('power', docket({ power: null }, { current: 'wiring' }))
    await says('Your wiring is looked at first.')
    expect(button('Ask for power')).toBeNull()
  })
})

describe('a prediction', () => {
  const before = docket(
    { wiring: 'passed', power: 'passed', readings: 'working' },
    { current: 'readings', cleared: true, readings: null },
  )
  const PREDICT = `POST ${API}/hand-in`

  it('is complete before it is saved, and says beside which step', async () => {
    const { says, type, server } = await at('readings', before, { [PREDICT]: DONE, [`${API}/live`]: {} })
    await says('Your prediction')
    expect(button('Save the prediction')).toHaveProperty('disabled', true)
    const cells = [...document.querySelectorAll<HTMLInputElement>('.prediction input')]
    for (const [index, cell] of cells.entries())
      await type(cell.getAttribute('aria-label')!, String(20 + index))
    await until(() => !(button('Save the prediction') as HTMLButtonElement).disabled)
    cells[0]!.form!.dispatchEvent(new Event('submit', { cancelable: true }))
    await until(() => server.sent.some((one) => one.body.kind === 'prediction'))
    expect(String(server.sent.at(-1)!.body.text)).toContain('20')
  })

  it('that is refused keeps what was entered', async () => {
    const { says, type } = await at('readings', before, {
      [PREDICT]: new Refusal(422, '“warm” is no number.'),
      [`${API}/live`]: {},
    })
    await says('Your prediction')
    const cells = [...document.querySelectorAll<HTMLInputElement>('.prediction input')]
    for (const cell of cells) await type(cell.getAttribute('aria-label')!, 'warm')
    cells[0]!.form!.dispatchEvent(new Event('submit', { cancelable: true }))
    await until(() => /no number|warm/.test(document.querySelector('.prediction')!.textContent!))
    expect(cells[0]!.value).toBe('warm')
  })
})

describe('marks', () => {
  const MARKS = `${API}/marks`
  const lines = [
    {
      title: 'Wiring',
      counts: '7',
      of: '8',
      evidence: ['A lead was moved after it was passed.'],
      reason: 'Tidy work.',
    },
  ]

  it('wait until the marking is closed, and nothing is asked for before', async () => {
    const { says, server } = await at('mark', docket({ mark: 'working' }, { current: 'mark' }))
    await says('appear here when the marking is closed')
    expect(server.unknown.filter((path) => path.includes('/marks'))).toEqual([])
  })

  it('that are closed come with the reasons for them', async () => {
    const closed = docket({ mark: 'passed' }, { current: 'mark' })
    const { says } = await at('mark', closed, { [MARKS]: { mine: '27', of: '30', lines } })
    await says('27 of 30')
    await says('Wiring: 7 of 8')
    await says('A lead was moved after it was passed.')
    await says('Tidy work.')
  })

  it('of somebody who was away say that there is none', async () => {
    const closed = docket({ mark: 'passed' }, { current: 'mark' })
    const { says } = await at('mark', closed, { [MARKS]: { mine: '', of: '30', lines: [] } })
    await says('no mark of 30')
  })
})

describe('more than one exercise', () => {
  it('is a choice, and the last one looked at comes back', async () => {
    const listed = [
      { id: NUMBERS.stopped, title: 'Brood-box heat watch' },
      { id: 77, title: 'Lid-open watch' },
    ]
    const first = (PEOPLE.pair.answers as unknown as Record<string, object[]>)['/api/my/dockets']![0]!
    const other = { ...recorded, id: 77, exercise: { ...recorded.exercise, title: 'Lid-open watch' } }
    const { says, find } = await open('pair', '/my-bench', {
      '/api/my/dockets': listed.map((one) => ({ ...first, ...one })),
      '/api/my/dockets/77': other,
    })
    await choose('Exercise', 'Lid-open watch')
    await until(() => find('h1')?.textContent === 'Lid-open watch')
    await says('Lid-open watch')
  })
})
