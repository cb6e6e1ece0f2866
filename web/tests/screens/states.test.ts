// Every place tells the truth while it waits, when it is refused, and when there is nothing yet.
import { describe, expect, it } from 'vitest'
import { open } from './open'
import { NEVER, NUMBERS, PEOPLE, type Person, Refusal } from './server'

const { session, stopped, marked, course, version } = NUMBERS

/** Each place: who looks at it, its address, what it asks for first, and words that stand on it once it is answered. */
const PLACES: [Person, string, string, string][] = [
  ['instructor', '/floor', `/api/sessions/${session}/floor`, 'Castell · Nwosu'],
  ['instructor', '/marks', `/api/sessions/${session}/marks`, 'Sorel · Haddad'],
  ['instructor', `/dockets/${stopped}/kit`, `/api/dockets/${stopped}`, 'HB-02'],
  ['instructor', `/dockets/${stopped}/wiring`, `/api/dockets/${stopped}`, 'Stop'],
  ['instructor', `/dockets/${marked}/mark`, `/api/dockets/${marked}/marks`, 'scheme'],
  ['instructor', `/exercises/${version}`, '/api/exercises', 'Brood-box heat watch'],
  ['instructor', '/sums', '/api/sums', 'Light'],
  ['instructor', '/set-up/people', `/api/set-up/courses/${course}`, 'Set-up'],
  ['assistant', '/hatch', '/api/kits', 'HB-05'],
  ['assistant', '/hatch?view=modules', '/api/modules', 'T-01'],
  ['assistant', '/hatch?view=drawers', '/api/stock', '330 Ω'],
  ['assistant', '/hatch?view=faults', '/api/faults', 'T-14'],
  ['assistant', '/hatch?view=coming-sessions', '/api/stores/coming', 'ready'],
  ['assistant', '/hatch?view=labels-and-tables', '/api/stores/tables', 'Kits'],
  ['pair', '/my-bench', `/api/my/dockets/${stopped}`, 'Which leg is which?'],
]

describe.each(PLACES)('%s at %s', (who, address, path, words) => {
  it('shows what the server says', async () => {
    const { says, server, page } = await open(who, address)
    await says(words)
    expect(page()).not.toMatch(/undefined|NaN|\[object/)
    // Sums and sliders are worked out by the server while one looks; everything else was asked for and answered.
    expect(server.unknown.filter((path) => !/^POST .*(sums|sheet)/.test(path))).toEqual([])
  })

  it('says that it is loading', async () => {
    const { find, says } = await open(who, address, { [path]: NEVER })
    await says('Loading')
    expect(find('[aria-busy=true], [role=status]')).not.toBeNull()
  })

  it('says why it has nothing to show, and asks again when it is told to', async () => {
    const { says, press, server } = await open(who, address, {
      [path]: new Refusal(503, 'The disk is full.'),
    })
    await says('The disk is full.')
    Object.assign(server.answers, PEOPLE[who].answers)
    await press('Try again')
    await says(words)
  })
})
