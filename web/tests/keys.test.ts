import { enableAutoUnmount, mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { defineComponent, h, nextTick } from 'vue'
import { keyHints, singleKeys, useKeys } from '@/shared/keys'

enableAutoUnmount(afterEach)

function screen(inside = '') {
  const pressed: string[] = []
  const wrapper = mount(
    defineComponent({
      setup() {
        useKeys({
          a: { does: 'pass', act: () => pressed.push('a') },
          Enter: { does: 'open', act: () => pressed.push('Enter') },
          7: { does: '', act: () => pressed.push('7') },
        })
        return () => h('div', { innerHTML: inside })
      },
    }),
    { attachTo: document.body },
  )
  const press = (key: string, on = 'body', more: KeyboardEventInit = {}) =>
    document.querySelector(on)!.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, ...more }))
  return { wrapper, pressed, press }
}

describe('single keys', () => {
  beforeEach(() => (singleKeys.value = true))
  afterEach(() => (document.body.innerHTML = ''))

  it('act on the screen, small or large letter', () => {
    const { pressed, press } = screen()
    press('a')
    press('A')
    press('Enter')
    expect(pressed).toEqual(['a', 'a', 'Enter'])
  })

  it('rest while a field is typed in, a dialog or a menu is open, or a modifier is held', () => {
    const { pressed, press } = screen('<input><textarea></textarea><div contenteditable="true"></div>')
    for (const field of ['input', 'textarea', '[contenteditable]']) press('a', field)
    for (const held of [{ ctrlKey: true }, { altKey: true }, { metaKey: true }, { isComposing: true }])
      press('a', 'body', held)
    document.body.insertAdjacentHTML('beforeend', '<div role="dialog"></div>')
    press('a')
    expect(pressed).toEqual([])
  })

  it('leave Enter to the link or button that has the focus', () => {
    const { pressed, press } = screen('<a href="#">x</a><button>y</button>')
    press('Enter', 'a')
    press('Enter', 'button')
    expect(pressed).toEqual([])
    press('a', 'button')
    expect(pressed).toEqual(['a'])
  })

  it('can be switched off where they are letters or digits', () => {
    const { pressed, press } = screen()
    singleKeys.value = false
    press('a')
    press('7')
    press('Enter')
    expect(pressed).toEqual(['Enter'])
  })

  it('are listed while their screen is there, and only those with a meaning to tell', async () => {
    const { wrapper } = screen()
    expect(keyHints.map((hint) => hint.key)).toEqual(['a', 'Enter'])
    wrapper.unmount()
    await nextTick()
    expect(keyHints).toHaveLength(0)
  })
})
