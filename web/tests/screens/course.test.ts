// The course itself: its fields, its people, its kits and its log; an exercise in its views.
import { describe, expect, it } from 'vitest'
import { router } from '@/router'
import { button, dialog, field, open } from './open'
import { NEVER, NUMBERS, PEOPLE, Refusal, until } from './server'

const { course, section, version, marked } = NUMBERS
const answers = PEOPLE.instructor.answers as Record<string, unknown>
const COURSE = `/api/set-up/courses/${course}`
const LIST = `/api/set-up/sections/${section}/people`
interface Student {
  user: number
  name: string
  log_in: string
  has_logged_in: boolean
}
const people = answers[LIST] as { students: Student[] }
const submit = (label: string) => field(label)!.form!.dispatchEvent(new Event('submit', { cancelable: true }))

describe('the course', () => {
  const at = (changes: Record<string, unknown> = {}) => open('instructor', '/set-up/course', changes)

  it('is saved with its holidays as days', async () => {
    const { type, says, server } = await at({ [`PUT ${COURSE}`]: { message: 'The course is saved.' } })
    await says('Course, sections and staff')
    await type('Title', 'Hive monitoring, spring')
    await type('Days without a session', '2031-02-10, 2031-02-03')
    submit('Title')
    await says('The course is saved.')
    expect(server.last()!.body).toMatchObject({
      title: 'Hive monitoring, spring',
      zone: 'Europe/Dublin',
      holidays: ['2031-02-10', '2031-02-03'],
    })
  })

  it('with a day that is none is not sent, and says which word is wrong', async () => {
    const { type, says, server } = await at()
    await says('Course, sections and staff')
    await type('Days without a session', '2031-02-10, soon')
    await says('“soon” is no day; write it as 2026-12-24.')
    expect(button('Save')).toHaveProperty('disabled', true)
    expect(server.sent).toEqual([])
  })

  it('is closed and opened again', async () => {
    const open_ = await at({ [`POST ${COURSE}/closed`]: { message: 'The course is closed.' } })
    await open_.press('Close the course')
    await until(() => open_.server.sent.length)
    expect(open_.server.last()!.body).toEqual({ closed: true })
    const closed = await at({ [COURSE]: { ...(answers[COURSE] as object), closed: true } })
    await closed.says('Open it again')
  })

  it('gets another section by its name, and says why it does not', async () => {
    const { type, says, server } = await at({
      [`POST ${COURSE}/sections`]: new Refusal(422, 'There is a section called Thursday already.'),
    })
    await says('Sections and staff')
    await type('Name of another section', 'Thursday')
    submit('Name of another section')
    await says('There is a section called Thursday already.')
    expect(server.last()!.body).toEqual({ name: 'Thursday' })
    expect(field('Name of another section')!.value).toBe('Thursday')
  })

  it('is copied for another year under a name of its own', async () => {
    const { press, server } = await at({ [`POST ${COURSE}/copy`]: { id: 9, message: '' } })
    await press('Copy for another year')
    await until(() => dialog().includes('nobody in them'))
    expect(field('What the copy is called')!.value).toBe('Hive monitoring, next year')
    await press('Copy the course')
    await until(() => server.last())
    expect(server.last()!.body).toEqual({ title: 'Hive monitoring, next year' })
  })
})

describe('people', () => {
  const ADD = `POST /api/set-up/sections/${section}/students`
  const at = (changes: Record<string, unknown> = {}) => open('instructor', '/set-up/people', changes)

  it('are listed with their log-ins, and those who never logged in are told', async () => {
    const { says, page } = await at()
    await says(people.students[0]!.name)
    expect(page()).toContain(people.students[0]!.log_in)
    expect(page()).toContain('not yet used')
    expect(button('Print log-in slips')).not.toBeNull()
  })

  it('are added one by one, and the field is free for the next', async () => {
    const { says, type, server } = await at({
      [ADD]: { message: 'Nora Quill is on the list as nora.quill.' },
    })
    await says(people.students[0]!.name)
    await type('Add one student', 'Nora Quill')
    await type('Number', '77')
    submit('Add one student')
    await says('Nora Quill is on the list as nora.quill.')
    expect(server.last()!.body).toEqual({ name: 'Nora Quill', number: '77' })
    expect(field('Add one student')!.value).toBe('')
  })

  it('who are refused stay in the field', async () => {
    const { says, type } = await at({ [ADD]: new Refusal(422, 'Nora Quill is on the list already.') })
    await says(people.students[0]!.name)
    await type('Add one student', 'Nora Quill')
    submit('Add one student')
    await says('Nora Quill is on the list already.')
    expect(field('Add one student')!.value).toBe('Nora Quill')
  })

  it('that are none yet say how a list comes in', async () => {
    const { says } = await at({ [LIST]: { ...people, students: [] } })
    await says('Nobody is on the list yet')
    await says('in whatever columns')
  })
})

describe('kits', () => {
  const exercise = (answers[COURSE] as { exercises: { id: number; title: string; prefix: string }[] })
    .exercises[0]!
  const MAKE = `POST /api/set-up/exercises/${exercise.id}/kits`

  it('are made in the number and with the letters that stand there', async () => {
    const { says, type, server } = await open('instructor', '/set-up/kits', {
      [MAKE]: { message: 'HB-16 to HB-18 are made.' },
    })
    await says('A kit is a box with a tag')
    await type(`How many kits for ${exercise.title}`, '3')
    await type(`Letters of the tags for ${exercise.title}`, 'hb')
    submit(`How many kits for ${exercise.title}`)
    await says('HB-16 to HB-18 are made.')
    expect(server.last()!.body).toEqual({ prefix: 'hb', count: 3 })
  })

  it('wait for an exercise', async () => {
    const none = { ...(answers[COURSE] as object), exercises: [] }
    const { says } = await open('instructor', '/set-up/kits', { [COURSE]: none })
    await says('An exercise comes first')
  })
})

describe('copies and the event log', () => {
  it('say that nothing was copied yet, and list what was done by whom', async () => {
    const { says, page } = await open('instructor', '/set-up/records')
    await says('Copies and event log')
    const events = (answers[`${COURSE}/events?word=&before=0`] as { events: { by: string; what: string }[] })
      .events
    await says(events[0]!.what)
    expect(page()).toContain(events[0]!.by)
  })
})

describe('an exercise', () => {
  const sheet = (answers[`/api/dockets/${marked}/sheets`] as { built: object }).built
  const SHEET = `POST /api/exercises/${version}/sheet`
  const SLIDERS = `POST /api/exercises/${version}/sliders`
  const at = (view: string, changes: Record<string, unknown> = {}) =>
    open('instructor', `/exercises/${version}${view}`, {
      [SHEET]: sheet,
      [SLIDERS]: { reading: '', stimuli: [], sliders: [] },
      ...changes,
    })

  it('shows its sheet step by step', async () => {
    const { says } = await at('')
    for (const step of ['Room air', 'Held in the hand', 'Warm pack']) await says(step)
  })

  it('says that its sheet is worked out, and why there is none', async () => {
    const waiting = await at('', { [SHEET]: NEVER })
    await waiting.says('Working out the sheet…')
    const none = await at('', {
      [SHEET]: { ...sheet, reason: 'No operating point was found for this circuit.' },
    })
    await none.says('There is no sheet for this')
    await none.says('No operating point was found for this circuit.')
  })

  it('keeps its view in the address, and other exercises are looked at in the same one', async () => {
    const { press, says } = await at('')
    await says('Room air')
    const tab = [...document.querySelectorAll<HTMLElement>('[role=tab]')].find(
      (one) => one.textContent === 'About',
    )!
    tab.click()
    await until(() => router.currentRoute.value.query.view === 'about')
    await press('Entrance gap watch')
    await until(() => router.currentRoute.value.params.version !== String(version))
    expect(router.currentRoute.value.query.view).toBe('about')
  })

  it('that is not there is told with where one’s own are', async () => {
    const { says } = await open('instructor', '/exercises/4711', { [SHEET]: sheet })
    await says('There is no such exercise')
  })

  it('that is a draft says what keeps it from release', async () => {
    const listed = (answers['/api/exercises'] as { id: number }[]).map((one) =>
      one.id === version ? { ...one, released: false } : one,
    )
    const { says } = await at('', {
      '/api/exercises': listed,
      [`/api/exercises/${version}/obstacles`]: [
        { about: '', message: 'The reference bench has a Stop.', warns: false },
      ],
    })
    await says('draft')
    await says('The reference bench has a Stop.')
  })
})
