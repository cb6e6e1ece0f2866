// The closer look at a wiring: currents with the outputs as set, what each resistor is for, the functions beside the intended ones.
import { describe, expect, it } from 'vitest'
import { button, key, open } from './open'
import { NUMBERS, PEOPLE, Refusal, until } from './server'

const API = `/api/dockets/${NUMBERS.marked}`
const SOLVE = `POST ${API}/wiring/solve`
type Finding = { severity: string; where: { parts?: string[] } }
type Study = { resistors: object[]; comparison: object[]; handles: object[] }
const answers = PEOPLE.instructor.answers as unknown as Record<string, Record<string, unknown>>
const study = answers[`${API}/wiring/study`] as unknown as Study
const [resistor] = study.resistors
const docket = answers[API]!

const solvedWith = ({ settings }: { settings: Record<string, string> }) => {
  const amps = settings.D2 === 'high' ? 0.0085 : 0
  return {
    nets: [
      { name: 'N3', places: ['B1.D2', 'R1.1'], volts: amps ? 4.72 : 0, floats: false },
      { name: 'N4', places: ['X1.1'], volts: null, floats: true },
    ],
    parts: [
      { ref: 'D1', title: 'red light', amps: { anode: amps, cathode: -amps }, watts: amps * 2 },
      {
        ref: 'U1',
        title: 'thermometer',
        amps: { supply: 0.00005, out: -0.00001, ground: -0.00004 },
        watts: 0,
      },
    ],
    pins: { D2: amps, A5: 1e-9 },
    oscillating: [],
  }
}
const at = (view: string, changes: Record<string, unknown> = {}) =>
  open('instructor', `/dockets/${NUMBERS.marked}/wiring?view=${view}`, { [SOLVE]: solvedWith, ...changes })
const withStudy = (changes: Partial<Study>) => ({ [`${API}/wiring/study`]: { ...study, ...changes } })
const row = (ref: string) =>
  [...document.querySelectorAll('tr')].find((tr) => tr.textContent!.trim().startsWith(ref))
const says = (ref: string) => row(ref)?.textContent!.replace(/\s+/g, ' ') ?? ''

describe('currents', () => {
  it('are those at rest first, then those of what is set', async () => {
    const { server, press } = await at('currents')
    await until(() => says('D1').includes('0 A'))
    expect(server.last()!.body).toEqual({ settings: {} })
    document.querySelector<HTMLElement>('[aria-label="D2"] button:last-child')!.click()
    await until(() => says('D1').includes('8.5 mA'))
    expect(says('D1')).toContain('anode → cathode')
    expect(server.last()!.body).toEqual({ settings: { D2: 'high' } })
    await press('all outputs high')
    await until(() => Object.keys(server.last()!.body.settings as object).length === study.handles.length)
    await press('everything at rest')
    await until(() => says('D1').includes('0 A'))
  })

  it('of a part with more legs are said leg by leg, and a net without a level floats', async () => {
    await at('currents')
    await until(() => row('U1'))
    expect(says('U1')).toContain('in supply 50 µA')
    expect(says('U1')).toContain('out out 10 µA')
    expect(says('N4')).toContain('floats')
    expect(says('N3')).toContain('0.00 V')
  })

  it('too small to matter are not said of a pin', async () => {
    const screen = await at('currents')
    await screen.says('nothing worth naming')
    await screen.press('all outputs high')
    await screen.says('D2 8.5 mA')
    expect(screen.page()).not.toContain('A5 1')
  })

  it('say that a state does not settle, and why nothing is solved', async () => {
    const wild = { ...solvedWith({ settings: {} }), oscillating: ['K1'] }
    const first = await at('currents', { [SOLVE]: wild })
    await first.says('K1 does not settle in this state')
    const second = await at('currents', { [SOLVE]: new Refusal(422, 'This wiring could not be read.') })
    await second.says('This wiring could not be read.')
  })

  it('of a bench with nothing to set say so', async () => {
    const screen = await at('currents', withStudy({ handles: [] }))
    await screen.says('it has one state')
  })

  it('of parts under a Stop are not taken for what happens', async () => {
    const wiring = docket.wiring as { findings: Finding[] }
    const stop = { ...wiring.findings[0], severity: 'stop', where: { parts: ['U1'] }, title: 'Supply turned' }
    const first = (
      answers[`/api/dockets/${NUMBERS.stopped}`]!.wiring as { findings: Finding[] }
    ).findings.find((finding) => finding.severity === 'stop')
    const screen = await at('currents', {
      [API]: { ...docket, wiring: { ...wiring, findings: [{ ...first, ...stop }] } },
    })
    await screen.says('A Stop is open for U1')
  })
})

describe('resistors', () => {
  const withOne = (changes: object) => withStudy({ resistors: [{ ...resistor, ...changes }] })

  it('say their job, their window and where they lie in it', async () => {
    const screen = await at('resistors')
    await screen.says('in series with D1')
    await screen.says('fits its window')
    expect(document.querySelector('[role=img]')!.getAttribute('aria-label')).toBe(
      'Window 150 Ω to 2.2 kΩ, here 324 Ω',
    )
  })

  it('outside come with what lies in the drawers', async () => {
    const offer = { said: '220 Ω', drawers: ['A2'], count: 12 }
    const screen = await at('resistors', withOne({ ohms: 47, fits: false, offers: [offer] }))
    await screen.says('too small for its window')
    await screen.says('220 ΩA2, 12 left')
    const none = await at('resistors', withOne({ ohms: 10_000, fits: false, offers: [] }))
    await none.says('too large for its window')
    await none.says('nothing that fits this window')
  })

  it('without a value, or that nothing depends on, are not called wrong', async () => {
    const unknown = await at('resistors', withOne({ ohms: null, fits: null, in_circuit_ohms: null }))
    await unknown.says('no value is given')
    const any = await at('resistors', withOne({ fits: null, about: '' }))
    await any.says('any value will do here')
    await any.says('no job the rules know')
    expect(document.querySelector('li.wrong')).toBeNull()
  })

  it('with something beside them read less on a meter, and one too hot is marked', async () => {
    const screen = await at('resistors', withOne({ in_circuit_ohms: 160, watts: 0.4 }))
    await screen.says('a meter across it reads 160 Ω as it sits: something lies beside it')
    expect(document.querySelector('.hot')!.textContent).toContain('400 mW of 250 mW')
  })

  it('that are not there say what would stand here', async () => {
    const screen = await at('resistors', withStudy({ resistors: [] }))
    await screen.says('No resistor on this bench')
  })
})

describe('the comparison', () => {
  const asIntended = { ref: 'D1', aspect: 'switched', handed_in: 'D2', intended: 'D7', agrees: true }
  const apart = { ref: 'U1', aspect: 'out read by', handed_in: 'A0', intended: 'A2', agrees: false }

  it('takes another pin that does the same for the same', async () => {
    const screen = await at('compare', withStudy({ comparison: [asIntended] }))
    await screen.says('All 1 functions are as intended')
    expect(says('D1')).toContain('✓')
  })

  it('counts and marks what is not', async () => {
    const screen = await at('compare', withStudy({ comparison: [asIntended, apart] }))
    await screen.says('1 of 2 functions differ')
    expect(row('U1')!.className).toContain('apart')
    expect(row('D1')!.className).not.toContain('apart')
  })

  it('of an exercise without a wiring of its own says so', async () => {
    const screen = await at('compare', withStudy({ comparison: [] }))
    await screen.says('Nothing to compare with')
  })

  it('that cannot be had says why', async () => {
    const screen = await at('compare', {
      [`${API}/wiring/study`]: new Refusal(503, 'The check ran too long.'),
    })
    await screen.says('The check ran too long.')
  })
})

describe('views', () => {
  it('go round with a key, and stay in the address', async () => {
    await at('currents')
    await until(() => button('Currents')?.getAttribute('aria-selected') === 'true')
    key('t')
    await until(() => button('Resistors')?.getAttribute('aria-selected') === 'true')
    expect(location.search).toContain('view=resistors')
  })
})
