// The table of leads: each row is a line of the text and edits it in place, by keyboard alone; undo goes back step by step.
import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { enableAutoUnmount, mount } from '@vue/test-utils'
import { afterEach, describe, expect, it } from 'vitest'
import { defineComponent, h, nextTick, ref } from 'vue'
import LeadTable from '@/pieces/hand-in/LeadTable.vue'
import { PEOPLE, Refusal, standIn, until } from './screens/server'

enableAutoUnmount(afterEach)
const START = 'board B1 mcu-5v\nbase half\npart R1 resistor a1 a5 value=330\nwire B1.D8 a5 blue\n# a note\n'

async function table(text = START, marks: Record<string, unknown>[] = [], changes: object = {}) {
  standIn('pair', { ...changes })
  const held = ref(text)
  const submitted = ref(0)
  const wrapper = mount(
    defineComponent({
      setup: () => () =>
        h(LeadTable, {
          modelValue: held.value,
          'onUpdate:modelValue': (now: string) => (held.value = now),
          board: 'mcu-5v',
          recipe: [{ ref: 'D1', part: 'led', title: 'warning light', settings: { colour: 'red' } }],
          marks,
          onSubmit: () => submitted.value++,
        }),
    }),
    { attachTo: document.body, global: { plugins: [[VueQueryPlugin, { queryClient: new QueryClient() }]] } },
  )
  await nextTick()
  const cell = (label: string) => wrapper.find<HTMLInputElement>(`[aria-label="${label}"]`)
  const set = async (label: string, value: string) => {
    cell(label).element.value = value
    await cell(label).trigger('input')
    await cell(label).trigger('change')
  }
  const key = (label: string, name: string, more: object = {}) =>
    cell(label).trigger('keydown', { key: name, ...more })
  return { wrapper, held, submitted, cell, set, key, lines: () => held.value.trimEnd().split('\n') }
}

describe('a cell', () => {
  it('changes its own line and leaves the others letter by letter', async () => {
    const { set, lines } = await table()
    await set('Places, line 4', 'B1.D8 a6')
    await set('Colour or settings, line 3', 'value=470 measured=466')
    expect(lines()).toEqual([
      'board B1 mcu-5v',
      'base half',
      'part R1 resistor a1 a5 value=470 measured=466',
      'wire B1.D8 a6 blue',
      '# a note',
    ])
  })

  it('gives a new part the next free reference of its kind', async () => {
    const { set, lines } = await table(`${START}part\n`)
    await set('Type, line 6', 'resistor')
    await until(() => lines()[5]!.startsWith('part '))
    expect(lines()[5]).toMatch(/^part (R2|U1) resistor/)
  })

  it('shows a comment as the line that it is', async () => {
    const { cell, set, lines } = await table()
    expect(cell('Line 5').element.value).toBe('# a note')
    await set('Line 5', '# another note')
    expect(lines()[4]).toBe('# another note')
  })
})

describe('by keyboard', () => {
  it('Enter goes down the column, and makes a new line behind the last', async () => {
    const { key, lines } = await table('board B1 mcu-5v\nwire a1 a2\n')
    await key('Places, line 2', 'Enter')
    await nextTick()
    expect(lines()).toEqual(['board B1 mcu-5v', 'wire a1 a2', 'wire'])
  })

  it('Alt moves a row, exchanges its ends, copies and removes it', async () => {
    const { key, lines } = await table()
    await key('Places, line 3', 'ArrowDown', { altKey: true })
    expect(lines()[2]).toBe('part R1 resistor a2 a6 value=330')
    await key('Places, line 3', 'ArrowUp', { altKey: true })
    await key('Places, line 3', 's', { altKey: true })
    expect(lines()[2]).toBe('part R1 resistor a5 a1 value=330')
    await key('Places, line 3', 'c', { altKey: true })
    expect(lines()[3]).toBe('part R2 resistor a5 a1 value=330')
    await key('Places, line 4', 'Delete', { altKey: true })
    expect(lines()).toHaveLength(5)
  })

  it('Ctrl and Enter hands in what stands there', async () => {
    const { key, submitted } = await table()
    await key('Places, line 3', 'Enter', { ctrlKey: true })
    expect(submitted.value).toBe(1)
  })

  it('keys without Alt only type', async () => {
    const { key, held } = await table()
    for (const name of ['s', 'c', 'Delete']) await key('Places, line 3', name)
    expect(held.value).toBe(START)
  })
})

describe('by a press', () => {
  it('the same acts are buttons that say what they do', async () => {
    const { wrapper, lines } = await table()
    await wrapper.find('[aria-label="Exchange the ends, line 4"]').trigger('click')
    expect(lines()[3]).toBe('wire a5 B1.D8 blue')
    await wrapper.find('[aria-label="Copy line 4"]').trigger('click')
    expect(lines()[4]).toBe('wire a5 B1.D8 blue')
    await wrapper.find('[aria-label="Remove line 4"]').trigger('click')
    expect(lines()).toHaveLength(5)
  })
})

describe('what is wrong', () => {
  it('is marked at its row', async () => {
    const { wrapper } = await table(START, [{ line: 4, message: 'a5 is used twice' }])
    expect(wrapper.findAll('tr.wrong').map((row) => row.attributes('data-line'))).toEqual(['3'])
  })
})

describe('the line for new leads', () => {
  const line = () => document.querySelector<HTMLInputElement>('#entry-line')

  it('is there, with the cursor in it, once the names of parts and pins are', async () => {
    let tell: (answer: unknown) => void = () => undefined
    const names = (PEOPLE.pair.answers as Record<string, unknown>)['/api/names']
    const { wrapper } = await table(START, [], { '/api/names': new Promise((done) => (tell = done)) })
    await new Promise((done) => setTimeout(done, 300))
    expect(line()).toBeNull()
    expect(wrapper.text()).toContain('Loading the names of parts and pins…')
    tell(names)
    await until(() => line())
    expect(document.activeElement).toBe(line())
  })

  it('says why where the names cannot be had', async () => {
    await table(START, [], { '/api/names': new Refusal(500, 'The names could not be read.') })
    await until(() => document.body.textContent?.includes('The names could not be read.'))
    expect(line()).toBeNull()
  })
})
