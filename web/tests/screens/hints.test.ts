// Hints on a program in steps: where to look first, more only when it is asked for, and never more than the exercise allows.
import { describe, expect, it } from 'vitest'
import { button, open } from './open'
import { NUMBERS, PEOPLE, Refusal, until } from './server'

const API = `/api/my/dockets/${NUMBERS.stopped}`
const OPEN = `POST ${API}/open-hint`
type Shown = Record<string, unknown> & { stations: { station: string; state: string | null }[] }
const recorded = (PEOPLE.pair.answers as unknown as Record<string, Shown>)[API]!
const HINT = {
  severity: 'fix',
  hint: '',
  parts: [],
  line: 9,
  column: 3,
  key: 'divides-whole:9',
  step: 1,
  nearly: '',
  more_lines: [14],
  shows: true,
}
const IDEA = { ...HINT, step: 2, hint: 'Both numbers are whole.' }
const NEARLY = { ...IDEA, step: 3, nearly: 'Write one of them with a point.' }
const TEXT = Array.from({ length: 16 }, (_, index) => `// line ${index + 1}`).join('\n')

function docket(stepped: object[], more: object = {}, state = 'sent-back') {
  const stations = recorded.stations.map((one) => (one.station === 'program' ? { ...one, state } : one))
  const program = {
    number: 2,
    text: TEXT,
    by: 'Leo Castell',
    at: '2026-09-14T10:00:00Z',
    cut: false,
    judged: true,
    hints: stepped,
    to_come: [],
    stepped,
    hints_left: 3,
    hint_cost: '0',
    ...more,
  }
  return { ...recorded, stations, program }
}
const at = (shown: object, changes: Record<string, unknown> = {}) =>
  open('pair', '/my-bench?station=program', { [API]: shown, ...changes })

describe('a hint', () => {
  it('says where to look, and neither the idea nor the answer', async () => {
    const screen = await at(docket([HINT]))
    await screen.says('Look at line 9, 14.')
    expect(button('Give me the idea')).not.toBeNull()
    expect(document.querySelector('.idea, .nearly')).toBeNull()
  })

  it('without a line names its parts, or the whole program', async () => {
    const parts = { ...HINT, line: null, more_lines: [], parts: ['D1', 'BZ1'], key: 'a' }
    const screen = await at(docket([parts, { ...parts, parts: [], key: 'b' }]))
    await screen.says('Look at what the program does with D1, BZ1.')
    await screen.says('Look at the whole program.')
  })

  it('goes on one step at a time, each asked for', async () => {
    let shown = docket([HINT])
    const screen = await at(shown, {
      [OPEN]: ({ step }: { step: number }) => {
        shown = docket([step === 2 ? IDEA : NEARLY], { hints_left: 4 - step })
        screen.server.answers[API] = shown
        return { revision: 12, message: '' }
      },
    })
    await screen.says('3 steps may still be opened.')
    await screen.press('Give me the idea')
    await screen.says('Both numbers are whole.')
    await screen.says('2 steps may still be opened.')
    await screen.press('Nearly the answer')
    await screen.says('Write one of them with a point.')
    expect(button('Nearly the answer')).toBeNull()
    expect(screen.server.sent.map((one) => one.body)).toEqual([
      { key: HINT.key, step: 2 },
      { key: HINT.key, step: 3 },
    ])
  })

  it('that costs says how much before it is opened', async () => {
    const screen = await at(docket([HINT], { hint_cost: '0.5', hints_left: 1 }))
    await screen.says('1 step may still be opened. The next one takes 0.5 off the program.')
  })

  it('beyond what the exercise allows cannot be opened', async () => {
    const screen = await at(docket([HINT], { hints_left: 0, hint_cost: '0.5' }))
    await screen.says('All steps that this exercise allows are opened; ask your instructor.')
    expect(button('Give me the idea')).toHaveProperty('disabled', true)
    expect(screen.page()).not.toContain('0.5 off')
  })

  it('that is refused says why', async () => {
    const screen = await at(docket([HINT]), { [OPEN]: new Refusal(409, 'Somebody of your pair opened it.') })
    await screen.press('Give me the idea')
    await screen.says('Somebody of your pair opened it.')
  })

  it('is shown in the run on the pair’s own bench', async () => {
    const rows = [
      { ms: 20, step: 'Room air', values: [{ name: 'mean', before: '0', after: '21' }] },
      { ms: 1020, step: 'Room air', values: [{ name: 'mean', before: '21', after: '21' }] },
    ]
    const line = { line: 9, text: 'mean = sum / 8;', times: 40, names: ['mean'], rows }
    const screen = await at(docket([HINT]), { [`${API}/hint-line`]: line })
    await screen.press('Show me on the bench')
    await screen.says('Come to 40 times in the run on this bench; 2 of them are shown.')
    const cells = [...document.querySelectorAll('.line-in-run tbody tr')].map((tr) =>
      tr.textContent!.replace(/\s+/g, ' ').trim(),
    )
    expect(cells[0]).toContain('0 → 21')
    expect(cells[1]).not.toContain('→')
    await screen.press('Close the run')
    await until(() => !document.querySelector('.line-in-run'))
  })

  it('on a line that the run never comes to says so', async () => {
    const line = { line: 9, text: 'alarm();', times: 0, names: [], rows: [] }
    const screen = await at(docket([HINT]), { [`${API}/hint-line`]: line })
    await screen.press('Show me on the bench')
    await screen.says('The run never comes to this line.')
  })
})

describe('a program', () => {
  it('that nothing stands out of says so', async () => {
    const screen = await at(docket([]))
    await screen.says('Nothing stands out in what you handed in.')
  })

  it('that is being checked is not called sound yet', async () => {
    const screen = await at(docket([], { judged: false }))
    await screen.says('Being checked…')
    expect(screen.page()).not.toContain('Nothing stands out')
  })

  it('that asks for a look is withdrawn, and one that does not may ask', async () => {
    const DONE = { revision: 12, message: '' }
    const asks = await at(docket([], {}, 'asks'), { [`POST ${API}/withdraw`]: DONE })
    await asks.press('Withdraw the request')
    await until(() => asks.server.last()?.path.endsWith('/withdraw'))
    const works = await at(docket([], {}, 'working'), { [`POST ${API}/ask`]: DONE })
    await works.press('Ask for a look at attempt 2')
    await until(() => works.server.last()?.path.endsWith('/ask'))
    expect(works.server.last()!.body).toMatchObject({ station: 'program' })
  })
})
