// Marks of the class, the sums and the exercises: what is there to read, and the ways on from it.
import { describe, expect, it } from 'vitest'
import { router } from '@/router'
import { field, key, open } from './open'
import { NUMBERS, PEOPLE, Refusal, until } from './server'

const answers = PEOPLE.instructor.answers as Record<string, unknown>
const MARKS = `/api/sessions/${NUMBERS.session}/marks`
const sheet = answers[MARKS] as {
  rows: { docket: number; pair: string; closed: boolean }[]
  titles: string[]
}

describe('marks of the class', () => {
  it('stand pair by pair and criterion by criterion, with how many are closed', async () => {
    const { says, page } = await open('instructor', '/marks')
    await says(`${sheet.rows.filter((row) => row.closed).length} of ${sheet.rows.length} closed`)
    for (const row of sheet.rows) expect(page()).toContain(row.pair)
    for (const title of sheet.titles) expect(page()).toContain(title)
  })

  it('lead to a docket by Enter as by a press', async () => {
    const { find, says } = await open('instructor', '/marks')
    await says(sheet.rows[0]!.pair)
    key('Enter', find('tbody tr')!)
    await until(() => router.currentRoute.value.path === `/dockets/${sheet.rows[0]!.docket}/mark`)
  })

  it('before the first kit is out are none, in words', async () => {
    const { says } = await open('instructor', '/marks', { [MARKS]: { ...sheet, rows: [] } })
    await says('Marks appear when kits are handed out.')
  })

  it('of no session say that none is planned', async () => {
    const { says } = await open('instructor', '/marks', { '/api/sessions': [] })
    await says('No session is planned')
  })
})

describe('sums', () => {
  const row = { name: 'amps', title: 'Current', value: 0.012, unit: 'amp', said: '12 mA' }
  const LED = 'POST /api/sums/of/led'

  it('answer while one types, and remember what was entered', async () => {
    const { type, says, server } = await open('instructor', '/sums/led', {
      [LED]: { rows: [row], notes: [], formula: '' },
    })
    await says('12 mA')
    const sums = answers['/api/sums'] as {
      sums: { name: string; fields: { name: string; label: string }[] }[]
    }
    const [first] = sums.sums.find((sum) => sum.name === 'led')!.fields as [{ name: string; label: string }]
    await type(first.label, '9')
    await until(() => (server.last()?.body.given as Record<string, string> | undefined)?.[first.name] === '9')
    expect(localStorage.getItem('verifex-sum-led')).toContain('"9"')
  })

  it('say what cannot be worked out, with what was entered still there', async () => {
    const { says } = await open('instructor', '/sums/led', {
      [LED]: new Refusal(422, 'A light of 3.2 V has no current from 3 V.'),
    })
    await says('A light of 3.2 V has no current from 3 V.')
  })
})

describe('exercises', () => {
  it('say where a file that is imported is wrong, and keep the text', async () => {
    const problems = [
      { line: 3, column: 7, message: 'no part is called thermometre' },
      { line: 9, column: 1, message: 'steps is missing' },
    ]
    const { press, type, says, find } = await open('instructor', `/exercises/${NUMBERS.version}`, {
      'POST /api/exercises': new Refusal(422, 'This file is no exercise yet.', { problems }),
    })
    await press('Import a file')
    await type('or paste it here', 'format: 1\nid: x\nrecipe: thermometre\n')
    await press('Import')
    await says('2 places to mend')
    await says('no part is called thermometre recipe: thermometre') // with the line itself
    expect(field('or paste it here')!.value).toContain('recipe: thermometre')
    expect(localStorage.getItem('verifex-exercise-draft')).toContain('recipe: thermometre')
  })
})

describe('an address that is none', () => {
  it('says so and leads home', async () => {
    const { page, says } = await open('instructor', '/no/such/place')
    await says('There is no such place here')
    expect(page()).not.toContain('Loading')
  })
})
