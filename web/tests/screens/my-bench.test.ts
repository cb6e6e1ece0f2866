// A pair's bench: hints only, drafts that outlive a reload and a lost connection, refusals with their place.
import { describe, expect, it } from 'vitest'
import { button, give, open } from './open'
import { LOST, NUMBERS, PEOPLE, Refusal, until } from './server'

const API = `/api/my/dockets/${NUMBERS.stopped}`
const docket = (PEOPLE.pair.answers as Record<string, unknown>)[API] as {
  wiring: { number: number; text: string }
}
const CHECKED = { findings: [], problems: [], bench: null, nets: [], to_come: [] }

async function writing(changes: Record<string, unknown> = {}) {
  const screen = await open('pair', '/my-bench', { [`POST ${API}/check-wiring`]: CHECKED, ...changes })
  await screen.press(`Write attempt ${docket.wiring.number + 1}`)
  await until(() => screen.find('[aria-label="Places, line 6"]'))
  return screen
}

describe('a pair', () => {
  it('gets hints and no answers', async () => {
    const { says, page } = await open('pair', '/my-bench')
    await says('Which leg is which?')
    expect(page()).not.toContain('Exchange the leads')
  })

  it('without a kit is told where it gets one', async () => {
    const { says } = await open('pair', '/my-bench', { '/api/my/dockets': [] })
    await says('Fetch your kit at the hatch')
  })

  it('finds what staff may see closed, with the way to its own', async () => {
    const { says, page } = await open('pair', '/marks')
    await says('This place is for staff')
    expect(page()).toContain('To My bench')
  })
})

describe('a draft', () => {
  it('is kept as it is typed, and is there again after a reload', async () => {
    const { type, says } = await writing()
    await type('Places, line 6', '+L a9')
    await says('Draft, kept in this browser')
    const [kept] = Object.entries(localStorage).filter(([name]) => name.startsWith('verifex-draft-'))
    expect(JSON.parse(kept![1] as string)).toMatchObject({ basedOn: docket.wiring.number })
    const again = await open('pair', '/my-bench', { [`POST ${API}/check-wiring`]: CHECKED })
    await again.says('Draft, kept in this browser')
    expect(again.find<HTMLInputElement>('[aria-label="Places, line 6"]')!.value).toBe('+L a9')
  })

  it('goes with the hand-in, under a mark that stores it once', async () => {
    const { type, press, server, says } = await writing({
      [`POST ${API}/hand-in`]: { revision: 11, message: '' },
    })
    await type('Places, line 6', '+L a9')
    await says('Draft, kept in this browser')
    await press(`Hand in attempt ${docket.wiring.number + 1}`)
    const handIn = () => server.sent.find((one) => one.path === `${API}/hand-in`)
    await until(handIn)
    expect(handIn()!.body).toMatchObject({ kind: 'wiring', based_on_attempt: docket.wiring.number })
    expect(String(handIn()!.body.text)).toContain('wire +L a9')
    await until(() => !Object.keys(localStorage).some((name) => name.startsWith('verifex-draft-')))
  })

  it('stays where the hand-in is refused, with the reason at its line', async () => {
    const refused = new Refusal(422, "Line 6: 'wir' begins no statement.")
    const { type, press, says } = await writing({ [`POST ${API}/hand-in`]: refused })
    await type('Places, line 6', '+L a9')
    await press(`Hand in attempt ${docket.wiring.number + 1}`)
    await says("Line 6: 'wir' begins no statement.")
    expect(Object.keys(localStorage).some((name) => name.startsWith('verifex-draft-'))).toBe(true)
  })

  it('is sent when the connection is back, with the same mark', async () => {
    let lost = true
    const { type, press, says, server } = await writing({
      [`POST ${API}/hand-in`]: () => (lost ? LOST : { revision: 11, message: '' }),
    })
    await type('Places, line 6', '+L a9')
    await press(`Hand in attempt ${docket.wiring.number + 1}`)
    await says('will be sent when the connection is back')
    lost = false
    window.dispatchEvent(new Event('online'))
    const sent = () => server.sent.filter((one) => one.path === `${API}/hand-in`)
    await until(() => sent().length === 2)
    expect(sent()[1]!.body.token).toBe(sent()[0]!.body.token)
  })

  it('of an attempt that is old by now says so and can go on from the new one', async () => {
    localStorage.setItem(
      `verifex-draft-${NUMBERS.stopped}-wiring`,
      JSON.stringify({ text: 'board B1 mcu-5v\n', token: 't', basedOn: docket.wiring.number - 1 }),
    )
    const { says, press, page } = await open('pair', '/my-bench', { [`POST ${API}/check-wiring`]: CHECKED })
    await says(`Attempt ${docket.wiring.number} was handed in after this draft was begun.`)
    await press('Go on with the draft')
    await until(() => !page().includes('was handed in after this draft'))
  })
})

describe('a file', () => {
  const choose = async (screen: Awaited<ReturnType<typeof writing>>, file: File) => {
    await until(() => screen.find('input[type=file]'))
    give(file)
  }

  it('of another kind is refused by its name, before it is read', async () => {
    const screen = await writing()
    await choose(screen, new File(['x'], 'holiday.jpg'))
    await screen.says('“holiday.jpg” is no')
  })

  it('that is too large is refused with the limit', async () => {
    const screen = await writing()
    const file = new File(['x'], 'mine.bench')
    Object.defineProperty(file, 'size', { value: 50_000_000 })
    await choose(screen, file)
    await screen.says('the limit for one hand-in')
  })

  it('takes the place of what stands there', async () => {
    const screen = await writing()
    await choose(screen, new File(['board B1 mcu-5v\nwire B1.5V +L red\n'], 'mine.bench'))
    await until(() => screen.find<HTMLInputElement>('[aria-label="Places, line 2"]')?.value === 'B1.5V +L')
  })
})

describe('asking', () => {
  it('can be withdrawn', async () => {
    const { press, server } = await open('pair', '/my-bench', {
      [`POST ${API}/withdraw`]: { revision: 10, message: '' },
    })
    await press('Withdraw the request')
    await until(() => server.sent.some((one) => one.path === `${API}/withdraw`))
    expect(server.sent.find((one) => one.path === `${API}/withdraw`)!.body).toEqual({
      station: 'wiring',
      reason: '',
    })
    expect(button('Withdraw the request')).not.toBeNull() // until the server says otherwise
  })

  it('that is refused says why above the station', async () => {
    const { press, says } = await open('pair', '/my-bench', {
      [`POST ${API}/withdraw`]: new Refusal(409, 'Ines Marlow is at it already.'),
    })
    await press('Withdraw the request')
    await says('Ines Marlow is at it already.')
  })
})
