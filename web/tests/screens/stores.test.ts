// The stores: what is known of each module, counts by keyboard, faults until somebody says that it is well, tables with a preview.
import { describe, expect, it } from 'vitest'
import { button, dialog, field, key, open } from './open'
import { NUMBERS, PEOPLE, Refusal, until } from './server'

const answers = PEOPLE.assistant.answers as Record<string, unknown>
const stock = answers['/api/stock'] as {
  id: number
  title: string
  drawer: string
  count: number
  low: boolean
}[]
const faults = answers['/api/faults'] as {
  id: number
  title: string
  closed_at: string | null
  state: string
  times: string
}[]
const at = (view: string, changes: Record<string, unknown> = {}) =>
  open('assistant', `/hatch?view=${view}`, changes)
const MODULE = `/api/modules/${NUMBERS.module}`

describe('modules', () => {
  it('are found by tag, kind and kit together, and nothing is said to be nothing', async () => {
    const { type, says, page } = await at('modules')
    await says('T-06')
    await type('Find a module', 'HB-06 thermometer')
    await until(() => !page().includes('T-07'))
    expect(page()).toContain('T-06')
    await type('Find a module', 'no such thing')
    await says('No module fits.')
  })

  it('open with their calibrations and what is written beside them', async () => {
    const { press } = await at('modules')
    await press('T-06')
    await until(() => dialog().includes('T-06,'))
    expect(dialog()).toContain('Calibrations')
    expect(dialog()).toContain('counts until')
  })

  it('keep what was typed of a calibration that is refused', async () => {
    const refused = new Refusal(
      422,
      'It reads 9.5 °C too high: that is a fault, and no calibration mends it.',
    )
    const { press, type, server } = await at('modules', { [`POST ${MODULE}/calibrations`]: refused })
    await press('T-06')
    await press('Calibrate…')
    await type('The reference reads, °C', '21,5')
    await type('The module reads, °C', '31')
    await press('Save the calibration')
    await until(() => dialog().includes('no calibration mends it'))
    expect(server.last()!.body).toMatchObject({ values: { reference1: 21.5, reads1: 31 } })
    expect(field('The reference reads, °C')!.value).toBe('21,5')
  })

  it('take a fault and say so where it was noted', async () => {
    const { press, type, says } = await at('modules', {
      [`POST ${MODULE}/faults`]: { message: 'T-06 is in repair: leg broken.' },
    })
    await press('T-06')
    await until(() => dialog().includes('T-06,'))
    await type('What is wrong with it', 'leg broken')
    const note = [...document.querySelectorAll<HTMLButtonElement>('[role=dialog] button')].find((b) =>
      /fault/i.test(b.textContent!),
    )!
    note.click()
    await says('T-06 is in repair: leg broken.')
  })
})

describe('drawers', () => {
  it('are counted one after the other: what was left empty stays as it is', async () => {
    const { press, find, server, says } = await at('drawers', {
      ...Object.fromEntries(
        stock.map((item) => [
          `POST /api/stock/${item.id}/count`,
          ({ found }: { found: number }) => ({ message: `${item.title}: ${found}.`, move: 7 }),
        ]),
      ),
      'POST /api/stock/moves/7/undo': { message: 'As it was before.', move: null },
    })
    await press('Count the drawers')
    await until(() => find('.count-field input'))
    const fields = [...document.querySelectorAll<HTMLInputElement>('.count-field input')]
    const enter = async (text: string) => {
      const now = fields.includes(document.activeElement as HTMLInputElement)
        ? document.activeElement
        : fields[0]!
      const typed = now as HTMLInputElement
      typed.focus()
      typed.value = text
      typed.dispatchEvent(new Event('input'))
      key('Enter', typed)
      await new Promise((go) => setTimeout(go, 5))
    }
    await enter('40')
    await enter('')
    await enter('about ten')
    await enter('31')
    await says(`${stock[3]!.title}: 31.`)
    expect(server.sent.map((one) => [one.path, one.body])).toEqual([
      [`/api/stock/${stock[0]!.id}/count`, { seen: stock[0]!.count, found: 40 }],
      [`/api/stock/${stock[3]!.id}/count`, { seen: stock[3]!.count, found: 31 }],
    ])
    await press('Undo')
    await says('As it was before.')
  })

  it('are not counted before the list is there: what is typed then would go nowhere', async () => {
    let arrive: (list: unknown) => void = () => undefined
    const { says, find, press } = await at('drawers', {
      '/api/stock': new Promise((go) => (arrive = go)),
    })
    await says('Add a thing…')
    expect(button('Count the drawers')).toBeNull()
    arrive(stock)
    await press('Count the drawers')
    await until(() => document.activeElement === find('.count-field input'))
  })

  it('say how many are below their smallest stock', async () => {
    const few = stock.map((item, index) => ({ ...item, low: index < 2 }))
    const { says } = await at('drawers', { '/api/stock': few })
    await says('2 below the smallest stock.')
  })

  it('with nothing in them say what belongs there', async () => {
    const { says } = await at('drawers', { '/api/stock': [] })
    await says('Nothing is counted yet')
  })
})

describe('faults', () => {
  const open_ = faults.filter((fault) => !fault.closed_at)

  it('stand until somebody says that it is well, with what was done', async () => {
    const [fault] = open_ as [(typeof open_)[0]]
    const { press, type, server, says } = await at('faults', {
      [`POST /api/faults/${fault.id}/close`]: { message: `${fault.title} is well.` },
    })
    await press('It is well…')
    await type('What was done', 'sounder exchanged')
    await press('It is well')
    await says(`${fault.title} is well.`)
    expect(server.last()!.body).toEqual({ is_well: true, note: 'sounder exchanged' })
  })

  it('that are none are told calmly', async () => {
    const { says } = await at('faults', { '/api/faults': [] })
    await says('Nothing is faulty')
  })

  it('that come again are told so', async () => {
    const { says } = await at('faults', { '/api/faults': [{ ...open_[0], times: 'third time' }] })
    await says('third time')
  })
})

describe('coming sessions', () => {
  it('say what is short in kits and pairs, one as one', async () => {
    const coming = answers['/api/stores/coming'] as Record<string, unknown>[]
    const { says } = await at('coming-sessions', {
      '/api/stores/coming': coming.map((row) => ({ ...row, short: 1, pairs: 1 })),
    })
    await says('1 kit short')
    await says('1 pair')
  })

  it('say what to order by when, and that there is nothing to order', async () => {
    const order = {
      title: '330 Ω resistor',
      count: 50,
      by: null,
      supplier: 'the usual one',
      lead_days: 6,
      because: '3 a day are used',
    }
    const first = await at('coming-sessions', { '/api/stores/orders': [order] })
    await first.says('at once')
    const none = await at('coming-sessions', { '/api/stores/orders': [] })
    await none.says('every smallest stock lasts')
  })
})

describe('a table that is read back', () => {
  const TABLE = '/api/stores/tables/drawers'
  const changes = {
    digest: 'd1',
    changes: [
      { row: 2, kind: 'added', about: 'glue sticks', what: '12 in G1' },
      { row: 3, kind: 'wrong', about: 'led', what: '“many” is no number.' },
      { row: 4, kind: 'same', about: 'wires', what: '' },
    ],
  }

  it('is looked at before anything is stored, and what is wrong is left out', async () => {
    const { press, type, server, says } = await at('labels-and-tables', {
      [`POST ${TABLE}/preview`]: changes,
      [`POST ${TABLE}/import`]: { message: '1 added, 0 changed, 1 left out.' },
    })
    await press('Import Drawers')
    await type('Or paste cells from a spreadsheet', 'Title\tCount\nglue sticks\t12\nled\tmany\n')
    await press('See what would change')
    await until(() => dialog().includes('“many” is no number.'))
    expect(server.sent.map((one) => one.path)).toEqual([`${TABLE}/preview`])
    await press('Import 1 row')
    await says('1 added, 0 changed, 1 left out.')
    expect(server.last()!.body).toMatchObject({ digest: 'd1' })
    expect(atob(String(server.last()!.body.data))).toContain('glue sticks\t12')
  })

  it('that is refused says why, with what was pasted still there', async () => {
    const { press, type } = await at('labels-and-tables', {
      [`POST ${TABLE}/preview`]: new Refusal(422, 'No column is called Title or Part.'),
    })
    await press('Import Drawers')
    await type('Or paste cells from a spreadsheet', 'x\ty\n')
    await press('See what would change')
    await until(() => dialog().includes('No column is called Title or Part.'))
    expect(field('Or paste cells from a spreadsheet')!.value).toBe('x\ty\n')
    expect(button('See what would change')).toHaveProperty('disabled', false)
  })
})
