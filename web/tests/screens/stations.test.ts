// The stations of a docket: what each shows of its hand-in, what may be done there, and what it says while there is none.
import { describe, expect, it } from 'vitest'
import { button, dialog, field, key, open, tick } from './open'
import { NUMBERS, PEOPLE, Refusal, until } from './server'

const { stopped, marked } = NUMBERS
type Docket = Record<string, unknown> & { revision: number; acts: { act: string; station: string }[] }
const recorded = (id: number) =>
  (PEOPLE.instructor.answers as unknown as Record<string, Docket>)[`/api/dockets/${id}`]!
const DONE = { revision: 99, message: '' }

function at(
  id: number,
  station: string,
  docket: Partial<Docket> = {},
  changes: Record<string, unknown> = {},
) {
  return open('instructor', `/dockets/${id}/${station}`, {
    [`/api/dockets/${id}`]: { ...recorded(id), ...docket },
    ...changes,
  })
}

describe('before power', () => {
  it('nothing is cleared until the real bench was compared', async () => {
    const { says, find } = await at(stopped, 'power')
    await says('This clears wiring attempt 2 with kit HB-02')
    expect(button('Clear for power')).toHaveProperty('disabled', true)
    tick()
    await until(() => !(button('Overrule with a reason') as HTMLButtonElement).disabled)
    expect(button('Clear for power'), 'a Stop is open').toHaveProperty('disabled', true)
  })

  it('a Stop is overruled with a reason only, and named with the attempt it is about', async () => {
    const CLEAR = `POST /api/dockets/${stopped}/clear`
    const { find, press, type, server, says } = await at(stopped, 'power', {}, { [CLEAR]: DONE })
    await says('One Stop is open.')
    tick()
    await press('Overrule with a reason')
    await until(() => dialog().includes('Power goes on although the rules say no.'))
    await type('Why it is safe all the same', 'The module is shown without power.')
    await press('Overrule and clear')
    await until(() => server.last())
    expect(server.last()!.body).toEqual({
      wiring_attempt: 2,
      compared: true,
      overrule_reason: 'The module is shown without power.',
      based_on: recorded(stopped).revision,
    })
  })

  it('a sound bench is cleared by two keys', async () => {
    const wiring = { ...(recorded(stopped).wiring as object), findings: [] }
    const CLEAR = `POST /api/dockets/${stopped}/clear`
    const { says, server } = await at(stopped, 'power', { wiring }, { [CLEAR]: DONE })
    await says('Tick the comparison first.')
    key('p')
    expect(server.sent).toEqual([])
    key('c')
    await until(() => !(button('Clear for power') as HTMLButtonElement).disabled)
    key('p')
    await until(() => server.last()?.path.endsWith('/clear'))
    expect(server.last()!.body).toMatchObject({ compared: true, overrule_reason: '' })
  })

  it('one that is cleared says by whom and for what, and the clearance is withdrawn with a reason', async () => {
    const { says, press, type, server } = await at(
      marked,
      'power',
      {},
      { [`POST /api/dockets/${marked}/reopen`]: DONE },
    )
    await says('Wiring attempt 1 with kit HB-10, by Tomas Reed')
    await press('Withdraw the clearance')
    await type('Why', 'A lead was moved.')
    await press('Take it back')
    await until(() => server.last())
    expect(server.last()!.body).toMatchObject({ station: 'power', reason: 'A lead was moved.' })
  })

  it('without a wiring there is nothing to clear', async () => {
    const { says } = await at(stopped, 'power', { wiring: null, clearance: null })
    await says('No wiring to clear')
  })

  it('a value that is measured is sent in its unit, and one that cannot be is told beside its field', async () => {
    const MEASURE = `POST /api/dockets/${marked}/measure`
    let refused = true
    const { says, type, server } = await at(
      marked,
      'readings',
      {},
      {
        [MEASURE]: () =>
          refused ? new Refusal(422, 'A supply of 9 V is not plausible on this board.') : DONE,
      },
    )
    await until(() => field('Supply, between 5V and GND'))
    const send = async (text: string) => {
      await type('Supply, between 5V and GND', text)
      field('Supply, between 5V and GND')!.form!.dispatchEvent(new Event('submit', { cancelable: true }))
    }
    await send('9 V')
    await says('A supply of 9 V is not plausible on this board.')
    refused = false
    await send('4,93')
    const values = () =>
      server.sent.filter((one) => one.path.endsWith('/measure')).map((one) => one.body.value)
    await until(() => values().length === 2)
    expect(values()).toEqual([9, 4.93])
  })
})

describe('the program', () => {
  it('stands with what is asked of it, and passes by a key where nothing is in the way', async () => {
    const acts = [...recorded(marked).acts, { act: 'pass', station: 'program', needs_reason: false }]
    const { says, server } = await at(
      marked,
      'program',
      { acts },
      { [`POST /api/dockets/${marked}/pass`]: DONE },
    )
    await says('It compiles, agrees with the wiring')
    await says('Asked')
    await until(() => !(button('Pass the program') as HTMLButtonElement).disabled)
    key('a')
    await until(() => server.last())
    expect(server.last()!.body).toMatchObject({ station: 'program', overrule_reason: '' })
  })

  it('that is not handed in yet can be handed in for the pair', async () => {
    const { says } = await at(stopped, 'program', { program: null })
    await says('It is read and run on this bench')
    expect(button('Hand in for the pair')).not.toBeNull()
  })

  it('cannot be passed where the server does not say so', async () => {
    const { says, server } = await at(marked, 'program', { acts: [] })
    await says('It compiles')
    expect(button('Pass the program')).toHaveProperty('disabled', true)
    key('a')
    expect(server.sent).toEqual([])
  })

  it('whose constant nobody knows asks what it stands for', async () => {
    const program = {
      ...(recorded(marked).program as object),
      runnable: false,
      constants: [{ name: 'SomeParts::VOLTS', stands_for: '', purposes: [] }],
    }
    const EXPLAIN = `POST /api/dockets/${marked}/constants`
    const { says, server, find } = await at(marked, 'program', { program }, { [EXPLAIN]: DONE })
    await says('SomeParts::VOLTS')
    const input = [...document.querySelectorAll('form')].find((form) =>
      form.textContent!.includes('SomeParts::VOLTS'),
    )!
    const typed = input.querySelector('input')!
    typed.value = '0.0049'
    typed.dispatchEvent(new Event('input'))
    input.dispatchEvent(new Event('submit', { cancelable: true }))
    await until(() => server.last())
    expect(server.last()!.body).toEqual({ name: 'SomeParts::VOLTS', stands_for: '0.0049' })
    expect(find('form')).not.toBeNull()
  })
})

describe('the readings', () => {
  it('stand step by step beside their limits', async () => {
    const { says, page } = await at(marked, 'readings')
    for (const step of ['Room air', 'Held in the hand', 'Warm pack']) await says(step)
    expect(page()).toContain('4.95 V')
  })

  it('that are being judged say so and hold back the decision', async () => {
    const readings = { ...(recorded(marked).readings as object), judged: false, findings: [], steps: [] }
    const { says } = await at(marked, 'readings', { readings, judging: true })
    await says('judged')
    const pass = button('Pass the readings')
    expect(pass === null || (pass as HTMLButtonElement).disabled).toBe(true)
  })

  it('that are not there yet say what comes first', async () => {
    const { page } = await at(stopped, 'readings', { readings: null })
    await until(() => page().includes('eadings'))
    expect(page()).not.toMatch(/undefined|NaN/)
  })
})

describe('the kit', () => {
  it('says which module with which calibration lies on this bench, and how its batch is printed', async () => {
    const kit = {
      ...(recorded(stopped).kit as object),
      modules: { U1: 'T-02', board: 'B-02' },
      leg_orders: { U1: 'ground-out-supply', 'thermo-offset': 'supply-out-ground' },
      calibrations: { U1: ['T-02, 3 Mar 2031, reference thermometer (too old)'] },
    }
    const { says } = await at(stopped, 'kit', { kit })
    await says('The batch of U1 is printed ground, out, supply.')
    await says('This batch of thermo-offset is printed supply, out, ground.')
    await says('U1 counts with its calibration: T-02, 3 Mar 2031, reference thermometer (too old)')
    await says('Local rules and licensed practice come first.')
  })
})
