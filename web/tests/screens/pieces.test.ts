// What every place shares: finding its way by a few letters, the keys of a screen, tabs, findings, the entry line.
import { enableAutoUnmount, mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { defineComponent, h, nextTick, ref } from 'vue'
import type { Schemas } from '@/api/client'
import EntryLine from '@/pieces/hand-in/entry/EntryLine.vue'
import type { Vocabulary } from '@/pieces/hand-in/entry/words'
import FindingList from '@/pieces/findings/FindingList.vue'
import TabBar from '@/pieces/controls/TabBar.vue'
import { router } from '@/router'
import { keyHelp, singleKeys } from '@/shared/keys'
import { notices, notify, putAway } from '@/shared/notices'
import { dialog, key, open } from './open'
import { NUMBERS, PEOPLE, until } from './server'

enableAutoUnmount(afterEach)
const at = () => router.currentRoute.value.fullPath

describe('the keys of a screen', () => {
  beforeEach(() => (singleKeys.value = true))
  afterEach(() => {
    keyHelp.value = false
    singleKeys.value = true
  })

  it('are listed by a question mark, those of this screen only', async () => {
    const { says } = await open('instructor', '/floor')
    await says('Castell · Nwosu')
    key('?')
    await until(() => dialog().includes('Keys here'))
    expect(dialog()).toContain('put the first of the Round later')
    expect(dialog()).toContain('open that bench')
    expect(dialog()).not.toContain('send back')
  })

  it('can be switched off, and then a letter does nothing', async () => {
    const { says } = await open('instructor', '/floor')
    await says('Castell · Nwosu')
    singleKeys.value = false
    key('l')
    expect(localStorage.getItem('verifex-later') ?? '[]').toBe('[]')
  })
})

describe('the line to go somewhere', () => {
  const go = async (letters: string) => {
    const screen = await open('assistant', '/floor', {
      [`/api/sessions/${NUMBERS.session}/pairs`]: (PEOPLE.instructor.answers as Record<string, unknown>)[
        `/api/sessions/${NUMBERS.session}/pairs`
      ],
    })
    await screen.says('min left')
    key('/')
    const field = screen.find<HTMLInputElement>('[aria-label="Go to a pair, student, kit or exercise"]')!
    await until(() => document.activeElement === field)
    field.value = letters
    field.dispatchEvent(new Event('input', { bubbles: true }))
    await until(() => document.querySelector('[role=option]'))
    return {
      ...screen,
      field,
      offered: () => [...document.querySelectorAll('[role=option]')].map((o) => o.textContent!.trim()),
    }
  }

  it('finds a pair by a bench, a name or a student', async () => {
    const { offered } = await go('nwosu')
    await until(() => offered()[0]?.startsWith('2 Castell · Nwosu'))
  })

  it('finds a kit by its tag and leads to it', async () => {
    const { offered } = await go('hb-14')
    await until(() => offered()[0]?.startsWith('HB-14'))
    document.querySelector<HTMLElement>('[role=option]')!.click()
    await until(() => at() === '/hatch?kit=HB-14')
  })
})

describe('tabs', () => {
  const bar = (tabs: Record<string, string>) => {
    const tab = ref(Object.keys(tabs)[0]!)
    const wrapper = mount(
      defineComponent({
        setup: () => () =>
          h(
            TabBar,
            {
              tabs,
              label: 'Views',
              modelValue: tab.value,
              'onUpdate:modelValue': (now: string) => (tab.value = now),
            },
            { default: () => h('p', `this is ${tab.value}`) },
          ),
      }),
      { attachTo: document.body },
    )
    return { wrapper, tab }
  }

  it('show one panel, named by its tab', async () => {
    const { wrapper, tab } = bar({ map: 'Board map', currents: 'Currents' })
    expect(wrapper.text()).toContain('this is map')
    await wrapper.findAll('[role=tab]')[1]!.trigger('click')
    await until(() => tab.value === 'currents')
    await nextTick()
    expect(wrapper.text()).toContain('this is currents')
    const panels = wrapper.findAll('[role=tabpanel]').filter((panel) => panel.text())
    expect(panels).toHaveLength(1)
    expect(document.getElementById(panels[0]!.attributes('aria-labelledby')!)!.textContent).toBe('Currents')
  })
})

describe('findings', () => {
  const finding = (severity: string, seen: string, more: object = {}) =>
    ({
      rule: 'r',
      severity,
      seen,
      why: `why ${seen}`,
      remedy: `mend ${seen}`,
      hint: `ask ${seen}`,
      criterion: 'wiring',
      moment_ms: null,
      where: { parts: ['U1'], line: 3 },
      also: [],
      ...more,
    }) as unknown as Schemas['FindingOut']
  const list = (findings: Schemas['FindingOut'][], more: object = {}) =>
    mount(FindingList, { props: { findings, chosen: 0, ...more }, attachTo: document.body })

  it('are counted by severity, and only what there is', () => {
    const wrapper = list([finding('stop', 'a'), finding('check', 'b'), finding('check', 'c')])
    expect(wrapper.find('header').text().replace(/\s+/g, ' ')).toBe('3 findings Stop 1 Check 2')
  })

  it('open one at a time with why, what to do and what the pair is shown', async () => {
    const wrapper = list([finding('stop', 'a'), finding('fix', 'b')])
    expect(wrapper.text()).toContain('why a')
    expect(wrapper.text()).not.toContain('why b')
    await wrapper.findAll('button.head')[1]!.trigger('click')
    expect(wrapper.emitted('update:chosen')).toEqual([[1]])
    await wrapper.setProps({ chosen: 1 })
    expect(wrapper.text()).toContain('mend b')
    expect(wrapper.findAll('[aria-expanded=true]')).toHaveLength(1)
  })

  it('lead to the moment on the twin where there is one', async () => {
    const seen = finding('fix', 'a', { moment_ms: 12_340 })
    const wrapper = list([seen], { shows: true })
    const button = wrapper.find('.moment button')
    expect(button.text()).toBe('Seen on the twin at 12.3 s')
    await button.trigger('click')
    expect(wrapper.emitted('show')).toEqual([[seen]])
    expect(wrapper.text()).toContain('The pair may ask for')
  })

  it('that are none say what good there is to say', () => {
    expect(list([]).text()).toContain('No findings')
    expect(list([], { good: 'All is as asked.' }).text()).toContain('All is as asked.')
  })
})

describe('the entry line', () => {
  const names = (PEOPLE.instructor.answers as unknown as Record<string, Record<string, unknown>>)[
    '/api/names'
  ]!
  const words = {
    pins: (names.pins as Record<string, string[]>)['mcu-5v'],
    parts: names.parts,
    bandCodes: names.band_codes,
    wireColours: names.wire_colours,
    recipe: [{ ref: 'D1', part: 'led', title: 'warning light', settings: { colour: 'red' } }],
  } as unknown as Vocabulary
  const entry = (lines = ['board B1 mcu-5v', 'base half'], mayUndo = false) => {
    const wrapper = mount(EntryLine, { props: { lines, words, mayUndo }, attachTo: document.body })
    const field = wrapper.find<HTMLInputElement>('input')
    return {
      wrapper,
      field,
      press: (name: string, more: object = {}) => field.trigger('keydown', { key: name, ...more }),
      says: () => wrapper.find('#entry-says').text().replace(/\s+/g, ' '),
    }
  }

  it('says what it would do before Enter does it', async () => {
    const { field, press, says, wrapper } = entry()
    await field.setValue('.8 a12 y')
    expect(says()).toBe('Enter wire B1.D8 a12 yellow')
    await press('Enter')
    expect(wrapper.emitted('change')).toEqual([[['board B1 mcu-5v', 'base half', 'wire B1.D8 a12 yellow']]])
    expect(field.element.value).toBe('')
  })

  it('keeps what is not understood, with what was expected', async () => {
    const { field, press, says, wrapper } = entry()
    await field.setValue('.99 a1')
    await press('Enter')
    expect(says()).toContain('The board has no pin “99”.')
    expect(field.element.value).toBe('.99 a1')
    expect(wrapper.emitted('change')).toBeUndefined()
    await press('Escape')
    expect(field.element.value).toBe('')
  })

  it('takes the first offer by Tab, and leaves by Tab where there is none', async () => {
    const { field, press } = entry()
    await field.setValue('warn')
    await press('Tab')
    expect(field.element.value).toBe('D1 ')
    await field.setValue('')
    const event = new KeyboardEvent('keydown', { key: 'Tab', cancelable: true, bubbles: true })
    field.element.dispatchEvent(event)
    expect(event.defaultPrevented).toBe(false)
  })

  it('gives back the last line by an arrow and asks for undo by Ctrl Z, while it is empty', async () => {
    const { field, press, wrapper } = entry(undefined, true)
    await field.setValue('.8 a12')
    await press('Enter')
    await press('ArrowUp')
    expect(field.element.value).toBe('.8 a12')
    await press('z', { ctrlKey: true })
    expect(wrapper.emitted('undo')).toBeUndefined()
    await field.setValue('')
    await press('z', { ctrlKey: true })
    expect(wrapper.emitted('undo')).toHaveLength(1)
    await press('Enter', { ctrlKey: true })
    expect(wrapper.emitted('submit')).toHaveLength(1)
  })
})

describe('notices', () => {
  afterEach(() => notices.value.slice().forEach((notice) => putAway(notice.id)))

  it('stand once each until they are put away', () => {
    notify('The server rests.')
    notify('The server rests.')
    notify('Another thing.', { reload: true })
    expect(notices.value.map((notice) => [notice.text, notice.reload])).toEqual([
      ['The server rests.', false],
      ['Another thing.', true],
    ])
    putAway(notices.value[0]!.id)
    expect(notices.value).toHaveLength(1)
  })
})
