// The hatch: a scanner types and ends with Enter; every scan is answered in its order, and a refusal says what to do.
import { beforeEach, describe, expect, it } from 'vitest'
import { useSounds } from '@/shared/sounds'
import { button, dialog, key, open } from './open'
import { LOST, Refusal, until } from './server'

const READ = 'POST /api/hatch/read'
const OUT = 'POST /api/hatch/hand-out'
const BACK = 'POST /api/hatch/take-back'
const isKit = (code: string) => /^[a-z]{2}-\d+$/i.test(code) && !code.startsWith('P')
const read = ({ code }: { code: string }) => ({
  kind: isKit(code) ? 'kit' : 'badge',
  code: code.toUpperCase(),
  named: code.toUpperCase(),
})
const out = ({ tag, badge }: { tag: string; badge: string }) => ({
  docket: 1,
  message: `${tag} is with ${badge}.`,
})

beforeEach(() => (useSounds().on.value = false))

async function atHatch(changes: Record<string, unknown> = {}) {
  const screen = await open('assistant', '/hatch', {
    [READ]: read,
    [OUT]: out,
    [BACK]: ({ tag }: { tag: string }) => ({ message: `${tag.trim().toUpperCase()} is back.` }),
    ...changes,
  })
  await screen.says('min left')
  const scan = (...codes: string[]) => {
    const field = screen.find<HTMLInputElement>('#code')!
    for (const code of codes) {
      field.value = code
      field.dispatchEvent(new Event('input'))
      field.form!.dispatchEvent(new Event('submit', { cancelable: true }))
    }
  }
  const answers = () =>
    [...document.querySelectorAll('[aria-label="Last scans"] li')].map(
      (li) => li.querySelector('p')!.textContent,
    )
  return { ...screen, scan, answers }
}

describe('scans', () => {
  it('are answered in their order, kit and badge either way round, while the next are typed', async () => {
    let late = 40
    const { scan, answers, find } = await atHatch({
      [OUT]: async (body: { tag: string; badge: string }) => {
        await new Promise((go) => setTimeout(go, (late -= 10))) // the first answer is the slowest
        return out(body)
      },
    })
    scan('HB-16', 'P-16', 'P-17', 'HB-17', 'hb-18', 'P-18')
    await until(() => find<HTMLInputElement>('#code')!.value === '')
    await until(() => answers().length === 3)
    expect(answers()).toEqual(['HB-18 is with P-18.', 'HB-17 is with P-17.', 'HB-16 is with P-16.'])
  })

  it('say what is still wanted after the first of two', async () => {
    const { scan, says, press, page } = await atHatch()
    scan('HB-16')
    await says('HB-16: now the pair’s badge.')
    await press('Start over')
    await says('Scan a kit and a badge, in either order.')
    scan('P-16')
    await says('P-16: now the kit.')
    expect(page()).not.toContain('is with')
  })

  it('begin afresh after a refusal, which stays to be read', async () => {
    const { scan, answers } = await atHatch({
      [READ]: (body: { code: string }) =>
        body.code === 'HB-14'
          ? new Refusal(422, 'HB-14 is in repair: reads 9 °C too high. Take another kit.')
          : read(body),
    })
    scan('P-16', 'HB-14', 'HB-16', 'P-16')
    await until(() => answers().length === 2)
    expect(answers()).toEqual([
      'HB-16 is with P-16.',
      'HB-14 is in repair: reads 9 °C too high. Take another kit.',
    ])
  })

  it('tell a lost connection and go on with the next', async () => {
    let lost = true
    const { scan, answers } = await atHatch({
      [READ]: (body: { code: string }) => (lost ? ((lost = false), LOST) : read(body)),
    })
    scan('HB-16', 'HB-17', 'P-17')
    await until(() => answers().length === 2)
    expect(answers()[1]).toContain('The connection is lost.')
    expect(answers()[0]).toBe('HB-17 is with P-17.')
  })

  it('of nothing are none', async () => {
    const { scan, server } = await atHatch()
    scan('   ')
    expect(server.sent).toEqual([])
  })
})

describe('what comes back', () => {
  it('can go out again as it was, once', async () => {
    const { scan, says, press, server, page } = await atHatch({
      'POST /api/hatch/undo-take-back': { message: 'HB-02 is out again.' },
    })
    key('<', document.querySelector('#code')!)
    await says('Kit that comes back')
    scan('HB-02')
    await says('HB-02 is back.')
    await press('Undo: it stays out')
    await says('HB-02 is out again.')
    expect(server.last()!.body).toEqual({ tag: 'HB-02' })
    expect(page()).not.toContain('Undo: it stays out')
  })

  it('is looked through: what is missing, what is used up, what is faulty and how', async () => {
    const CAME = 'POST /api/hatch/came-back'
    const { scan, says, press, type, server } = await atHatch({
      [CAME]: { message: 'HB-02: D1 missing.', faults: {} },
    })
    key('<', document.querySelector('#code')!)
    await says('Kit that comes back')
    scan('HB-02')
    await press('Look through it…')
    await until(() => dialog().includes('sounder'))
    const choose = (ref: string, state: string) => {
      const group = [...document.querySelectorAll('fieldset')].find((set) =>
        set.textContent!.trim().startsWith(ref),
      )!
      group.querySelector<HTMLInputElement>(`input[value=${state}]`)!.click()
    }
    choose('D1', 'missing')
    choose('R1', 'used')
    choose('BZ1', 'faulty')
    await press('Save how it came back')
    await until(() => dialog().includes('Say what is wrong with BZ1.'))
    expect(server.last()!.path).toBe('/api/hatch/take-back')
    await type('What is wrong with sounder', 'silent')
    await press('Save how it came back')
    await says('HB-02: D1 missing.')
    expect(server.last()!.body).toEqual({
      tag: 'HB-02',
      missing: ['D1'],
      used_up: ['R1'],
      faults: { BZ1: 'silent' },
    })
  })
})

describe('modes', () => {
  it('are switched by a key while the field is empty, and never inside a code', async () => {
    const { find, says } = await atHatch()
    const field = find<HTMLInputElement>('#code')!
    field.value = 'HB'
    field.dispatchEvent(new Event('input'))
    key('=', field)
    expect(button('Record the substitution')).toBeNull()
    field.value = ''
    field.dispatchEvent(new Event('input'))
    key('=', field)
    await says('Value given')
  })

  it('show the window of a resistor’s job and what the drawers hold inside it', async () => {
    const SUB = 'POST /api/hatch/substitute'
    const { find, says, type, press, server } = await atHatch({
      [SUB]: { message: 'R1 is 390 Ω in HB-05 from now on.' },
    })
    key('=', find('#code')!)
    await type('Kit, its tag', 'hb-05')
    await says('does')
    await press('390 Ω')
    expect(find<HTMLInputElement>('#value')!.value).toBe('390')
    expect(find<HTMLInputElement>('#why')!.value).toBe('no 330 Ω left')
    await press('Record the substitution')
    await says('R1 is 390 Ω in HB-05 from now on.')
    expect(server.last()!.body).toEqual({ tag: 'hb-05', ref: 'R1', value: '390', reason: 'no 330 Ω left' })
  })

  it('send only the settings that were changed', async () => {
    const SET = 'POST /api/hatch/setting'
    const { find, type, press, server, says } = await atHatch({
      [SET]: { message: 'HB-05, R1: measured 326.' },
    })
    key('*', find('#code')!)
    await type('Kit, its tag', 'HB-05')
    await says('measured value in Ω')
    expect(button('Save the settings')).toHaveProperty('disabled', true)
    await type('R1', '326')
    await press('Save the settings')
    await says('HB-05, R1: measured 326.')
    expect(server.sent.map((one) => one.body)).toEqual([
      { tag: 'HB-05', ref: 'R1', setting: 'measured', value: '326' },
    ])
  })
})
