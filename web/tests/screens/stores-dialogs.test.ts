// What is written down in the stores: batches with figures of their own, things in drawers, deliveries; papers for a class.
import { describe, expect, it } from 'vitest'
import { button, choose, dialog, field, open } from './open'
import { NUMBERS, PEOPLE, Refusal, until } from './server'

type Batch = { id: number; name: string; part: string; figures: object; price: string | null }
type Item = { id: number; title: string; count: number; rated_watts: number }
type Kind = { id: string; title: string; figures: Record<string, number>; legs: string[] }
const answers = PEOPLE.assistant.answers as Record<string, unknown>
const [batch] = answers['/api/batches'] as [Batch]
const [item] = answers['/api/stock'] as [Item]
const kinds = answers['/api/stores/kinds'] as Kind[]
const withFigures = kinds.find((kind) => Object.keys(kind.figures).length && kind.legs.length)!
const [figure, usual] = Object.entries(withFigures.figures)[0]!
const said = figure.replaceAll('_', ' ')
const DONE = { message: 'Saved.', move: null }
const at = (view: string, changes: Record<string, unknown> = {}) =>
  open('assistant', `/hatch?view=${view}`, changes)

const submit = () => {
  const form = [...document.querySelectorAll<HTMLFormElement>('[role=dialog] form')].at(-1)!
  form.dispatchEvent(new Event('submit', { cancelable: true }))
}

describe('batches', () => {
  const batches = async (changes: Record<string, unknown> = {}) => {
    const screen = await at('modules', changes)
    await screen.press('Batches')
    await until(() => dialog().startsWith('Batches'))
    return screen
  }

  it('say how often they fail, beside what they have in common', async () => {
    await batches()
    await until(() => dialog().includes(batch.name))
    expect(dialog()).toContain('38 %')
  })

  it('are made with the figures in which they deviate, and only with those', async () => {
    const screen = await batches({ 'POST /api/batches': DONE })
    await screen.press('New batch…')
    await screen.type('Name', 'R 2026-11')
    await choose('Kind', withFigures.title)
    await screen.press('Figures in which it deviates')
    await screen.type(said, '7,5')
    await screen.type('Price a piece', '1,20')
    submit()
    await until(() => screen.server.last())
    expect(screen.server.last()!.body).toMatchObject({
      name: 'R 2026-11',
      part: withFigures.id,
      price: '1.20',
      figures: { [figure]: 7.5 },
    })
  })

  it('with a figure that is no number say which, and are not sent', async () => {
    const screen = await batches({ 'POST /api/batches': DONE })
    await screen.press('New batch…')
    await choose('Kind', withFigures.title)
    await screen.press('Figures in which it deviates')
    await screen.type(said, 'about 7')
    await screen.says(`${said}: “about 7” is not read as a number.`)
    expect(button('Save the batch')).toHaveProperty('disabled', true)
    await screen.type(said, String(usual))
    await until(() => !(button('Save the batch') as HTMLButtonElement).disabled)
    expect(screen.server.sent).toEqual([])
  })

  it('that are refused stay as they were typed', async () => {
    const refusal = new Refusal(422, 'A batch of this name is there.')
    const screen = await batches({ [`PUT /api/batches/${batch.id}`]: refusal })
    await until(() => dialog().includes(batch.name))
    await screen.press('Edit')
    await screen.type('Name', 'T spring again')
    submit()
    await screen.says('A batch of this name is there.')
    expect(document.querySelector<HTMLInputElement>('[role=dialog] input')!.value).toBe('T spring again')
    expect(dialog(), 'the kind of a batch never changes').toContain('Kind')
    expect(field('Kind')!.getAttribute('aria-disabled')).toBe('true')
    await screen.press('Back to the list')
    await until(() => dialog().includes('New batch…'))
  })
})

describe('a thing in a drawer', () => {
  const adding = async (changes: Record<string, unknown> = {}) => {
    const screen = await at('drawers', { 'POST /api/stock': DONE, ...changes })
    await screen.press('Add a thing…')
    await until(() => dialog().startsWith('Add a thing'))
    return screen
  }

  it('that is a resistor has its value and its watts as they are written on paper', async () => {
    const screen = await adding()
    await choose('Part of the catalogue', 'resistor')
    await until(() => dialog().includes('Rated watts'))
    await screen.type('Value', '4k7')
    await screen.type('Rated watts', '500 mW')
    submit()
    await until(() => screen.server.last())
    expect(screen.server.last()!.body).toMatchObject({ part: 'resistor', ohms: 4700, rated_watts: 0.5 })
    await until(() => !dialog())
  })

  it('is never given the usual watts for a word that was not understood', async () => {
    const screen = await adding()
    await choose('Part of the catalogue', 'resistor')
    await until(() => dialog().includes('Rated watts'))
    await screen.type('Value', '330')
    await screen.type('Rated watts', '1/2')
    await screen.says('“1/2” is not read as watts; write 0.25 or 500 mW.')
    expect(button('Add it')).toHaveProperty('disabled', true)
    await screen.type('Rated watts', '0.5')
    await screen.type('Value', 'four')
    await screen.says('“four” is not read as a value; write 330, 4k7 or 10k.')
    expect(screen.server.sent).toEqual([])
  })

  it('keeps its watts when something else about it is saved', async () => {
    const strong = { ...item, rated_watts: 2 }
    const screen = await at('drawers', { '/api/stock': [strong], [`PUT /api/stock/${item.id}`]: DONE })
    await screen.press(item.title)
    await until(() => dialog().startsWith(item.title))
    await screen.type('Drawer', 'C9')
    submit()
    await until(() => screen.server.last())
    expect(screen.server.last()!.body).toMatchObject({ drawer: 'C9', rated_watts: 2 })
  })

  it('that is delivered is booked in by the piece', async () => {
    const PATH = `/api/stock/${item.id}/book-in`
    const screen = await at('drawers', { [`POST ${PATH}`]: DONE, [`/api/stock/${item.id}/moves`]: [] })
    await screen.press(item.title)
    await until(() => button('Book in'))
    await screen.type('How many have come', '-3')
    expect(button('Book in')).toHaveProperty('disabled', true)
    await screen.type('How many have come', '100')
    await until(() => !(button('Book in') as HTMLButtonElement).disabled)
    document.querySelector('[role=dialog] form')!.dispatchEvent(new Event('submit', { cancelable: true }))
    await until(() => screen.server.last())
    expect(screen.server.last()).toMatchObject({ path: PATH, body: { count: 100, note: '' } })
  })
})

describe('papers for the class', () => {
  const PAPERS = `POST /api/sessions/${NUMBERS.session}/papers`
  const work = { id: 4, state: 'running', done: 3, total: 12, message: '', file_name: 'papers.pdf' }
  const papers = async (changes: Record<string, unknown>) => {
    const screen = await open('instructor', '/floor', changes)
    await screen.press('Papers')
    await until(() => dialog().startsWith('Papers for the class'))
    return screen
  }

  it('say how far they are, and can be stopped', async () => {
    const stopped = { ...work, state: 'cancelled', message: 'Cancelled; nothing was made.' }
    const screen = await papers({
      [PAPERS]: work,
      '/api/work/4': work,
      'POST /api/work/4/cancel': () => {
        screen.server.answers['/api/work/4'] = stopped
        return stopped
      },
    })
    await screen.press('Pages to predict on')
    await screen.press('Make ')
    await screen.says('Laying out the pages 3 of 12')
    expect(screen.server.last()!.body).toEqual({ answers: false })
    await screen.press('Cancel')
    await screen.says('Cancelled; nothing was made.')
  })

  it('that are ready are saved under their name', async () => {
    const screen = await papers({ [PAPERS]: work, '/api/work/4': { ...work, state: 'done', done: 12 } })
    await screen.press('Make ')
    await until(() => button('Save papers.pdf'))
    expect(button('Save papers.pdf')!.getAttribute('href')).toBe('/api/work/4/file')
  })

  it('that are refused say why', async () => {
    const screen = await papers({ [PAPERS]: new Refusal(429, 'Papers of this session are being made.') })
    await screen.press('Make ')
    await screen.says('Papers of this session are being made.')
  })
})
