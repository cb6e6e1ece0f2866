// Set-up: the steps a course still lacks, pairs by typing, a class list in three looks, and who may do it.
import { describe, expect, it } from 'vitest'
import { button, dialog, key, open } from './open'
import { NUMBERS, PEOPLE, Refusal, until } from './server'

const { course, section } = NUMBERS
const answers = PEOPLE.instructor.answers as Record<string, unknown>
const PEOPLE_AT = `/api/set-up/sections/${section}/people`
const people = answers[PEOPLE_AT] as {
  students: { user: number; name: string; pair: number | null; has_logged_in: boolean }[]
}
const COURSE = `/api/set-up/courses/${course}`
const at = (part: string, changes: Record<string, unknown> = {}) =>
  open('instructor', `/set-up/${part}`, changes)

/** The same list with these students in no pair. */
const unpaired = (...names: string[]) => ({
  ...people,
  students: people.students.map((student, index) =>
    index < names.length
      ? { ...student, name: names[index], pair: null }
      : { ...student, pair: student.pair ?? 1 },
  ),
})

describe('the steps', () => {
  it('of a new course lead to the first that is not done', async () => {
    const steps = (answers[COURSE] as { steps: { name: string; done: boolean }[] }).steps
    const changed = {
      ...(answers[COURSE] as object),
      steps: steps.map((step) => ({ ...step, done: step.name !== 'pairs' })),
    }
    const { says } = await open('instructor', '/set-up', { [COURSE]: changed })
    await says('Who works together.')
  })

  it('are none where no course is: an instructor begins one, an assistant is told who does', async () => {
    const founder = { ...(answers['/api/me'] as object), founds: true }
    const begins = await open('instructor', '/set-up', { '/api/me': founder, '/api/set-up/courses': [] })
    await begins.says('ourse')
    await until(() => begins.find('form'))
    const assistant = await open('assistant', '/set-up', { '/api/set-up/courses': [] })
    await assistant.says('Only an instructor sets up a course.')
  })
})

describe('pairs', () => {
  const PAIRS = `POST /api/set-up/sections/${section}/pairs`

  it('are made by typing two names and Enter', async () => {
    const { type, server, says, find } = await at('pairs', {
      [PEOPLE_AT]: unpaired('Mira Kessler', 'Tomé Duarte'),
      [PAIRS]: { message: 'Kessler · Duarte is made.' },
    })
    await says('2 students are in no pair')
    await type('Type two names', 'kess, duarte')
    await says('Mira Kessler · Tomé Duarte')
    key('Enter', find('#pair-names')!)
    await says('Kessler · Duarte is made.')
    expect(server.last()!.body).toEqual({
      groups: [people.students.slice(0, 2).map((student) => student.user)],
    })
    expect(find<HTMLTextAreaElement>('#pair-names')!.value).toBe('')
  })

  it('of nobody on the list are not made, and the line says why', async () => {
    const { type, server, says, find } = await at('pairs', {
      [PEOPLE_AT]: unpaired('Mira Kessler', 'Tomé Duarte'),
    })
    await says('2 students are in no pair')
    await type('Type two names', 'kess, nobody')
    await until(() => find('.read.wrong'))
    key('Enter', find('#pair-names')!)
    expect(server.sent).toEqual([])
    expect(button('Make the pair')).toHaveProperty('disabled', true)
  })

  it('of all are proposed by a rule and looked at first', async () => {
    const two = people.students
      .slice(0, 2)
      .map(({ user }, index) => ({ user, name: ['Mira Kessler', 'Tomé Duarte'][index] }))
    const { press, server, says } = await at('pairs', {
      [PEOPLE_AT]: unpaired('Mira Kessler', 'Tomé Duarte'),
      [`${PAIRS}/propose`]: { groups: [two] },
    })
    await press('at random')
    await press('Propose pairs')
    await until(() => server.last())
    await says('Kessler')
    expect(server.last()).toMatchObject({ body: { way: 'random', seed: 1 } })
  })

  it('say one student as one', async () => {
    const { says } = await at('pairs', { [PEOPLE_AT]: unpaired('Mira Kessler') })
    await says('One student is in no pair')
  })

  it('wait for the class list', async () => {
    const { says } = await at('pairs', { [PEOPLE_AT]: { ...people, students: [] } })
    await says('The class list comes first')
  })
})

describe('a class list', () => {
  const LIST = `POST /api/set-up/sections/${section}/class-list`
  const read = {
    count: 2,
    rows: [
      ['Name', 'Number'],
      ['Kessler, Mira', '12'],
    ],
    first_row: 1,
    meanings: { name: 0, number: 1 },
  }

  it('is read and compared at once where its columns are known', async () => {
    const { press, type, server } = await at('people', {
      [`${LIST}/read`]: read,
      [`${LIST}/preview`]: new Refusal(503, 'A moment.'),
    })
    await press('Import')
    await type('or paste cells', 'Name\tNumber\nKessler, Mira\t12\n')
    await press('Read what is pasted')
    await until(() => server.sent.length === 2)
    expect(server.sent.map((one) => one.path.split('/').at(-1))).toEqual(['read', 'preview'])
    expect(server.last()!.body).toMatchObject({ first_row: 1, meanings: { name: 0, number: 1 } })
    await until(() => dialog().includes('A moment.'))
    await until(() => button('See what would change'))
  })

  it('whose columns nobody knows asks for them before it is compared', async () => {
    const { press, type, server } = await at('people', { [`${LIST}/read`]: { ...read, meanings: {} } })
    await press('Import')
    await type('or paste cells', 'a\tb\n1\t2\n')
    await press('Read what is pasted')
    await until(() => dialog().includes('2 rows.'))
    expect(server.sent).toHaveLength(1)
    expect(button('See what would change')).not.toBeNull()
  })
})
