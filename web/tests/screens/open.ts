// The whole application at an address, with the stand-in behind it.
import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { mount, type VueWrapper } from '@vue/test-utils'
import { afterEach, expect, vi } from 'vitest'
import App from '@/App.vue'
import { router } from '@/router'
import { type Person, standIn, until } from './server'

let shown: VueWrapper | null = null
const warned: string[] = []
afterEach(() => {
  shown?.unmount()
  shown = null
  document.body.innerHTML = ''
  vi.useRealTimers()
  expect(warned.splice(0)).toEqual([])
})

export async function open(who: Person, address: string, changes: Record<string, unknown> = {}) {
  shown?.unmount() // a second opening in one test is another visit
  document.body.innerHTML = ''
  const server = standIn(who, changes)
  const queries = new QueryClient({
    defaultOptions: {
      queries: { retry: false, networkMode: 'always' },
      mutations: { networkMode: 'always' },
    },
  })
  await router.push('/nowhere-yet')
  await router.push(address)
  shown = mount(App, {
    attachTo: document.body,
    global: {
      stubs: { transition: false }, // a dialog that is closed is gone, as in a browser
      config: { warnHandler: (text) => void warned.push(text) },
      plugins: [router, [VueQueryPlugin, { queryClient: queries }]],
    },
  })
  const page = () => document.body.textContent ?? ''
  return {
    server,
    queries,
    page,
    says: (text: string) => until(() => page().replace(/\s+/g, ' ').includes(text)),
    find: <T extends HTMLElement = HTMLElement>(selector: string) => document.querySelector<T>(selector),
    button,
    press: async (name: string) => {
      await until(() => button(name))
      button(name)!.click()
    },
    type: async (label: string, text: string) => {
      await until(() => field(label))
      const input = field(label)!
      input.value = text
      input.dispatchEvent(new Event('input', { bubbles: true }))
      input.dispatchEvent(new Event('change', { bubbles: true }))
    },
  }
}

/** A button or link by what stands on it, or by its label. */
export function button(name: string): HTMLElement | null {
  const all = [...document.querySelectorAll<HTMLElement>('button, a, [role=tab], [role=button], summary')]
  const words = (element: HTMLElement) => (element.textContent ?? '').replace(/\s+/g, ' ').trim()
  return (
    all.find((element) => words(element) === name || element.getAttribute('aria-label') === name) ??
    all.find((element) => words(element).startsWith(name)) ??
    null
  )
}

/** A field by its label. */
export function field(label: string): HTMLInputElement | null {
  const said = [...document.querySelectorAll('label')].find((l) => l.textContent?.trim().startsWith(label))
  const own = said?.htmlFor
    ? document.getElementById(said.htmlFor)
    : said?.querySelector('input, select, textarea')
  return (own ?? document.querySelector(`[aria-label="${label}"]`)) as HTMLInputElement | null
}

/** One of the options of a choice, by the choice's label and the option's words. */
export async function choose(label: string, words: string) {
  await until(() => field(label))
  field(label)!.click()
  const option = () =>
    [...document.querySelectorAll<HTMLElement>('[role=option]')].find((o) => o.textContent!.trim() === words)
  await until(option)
  option()!.click()
}

/** A file that is chosen. */
export function give(file: File) {
  const control = document.querySelector<HTMLInputElement>('input[type=file]')!
  Object.defineProperty(control, 'files', { value: [file], configurable: true })
  control.dispatchEvent(new Event('change', { bubbles: true }))
}

/** A box that is ticked. */
export function tick(within = 'main') {
  document.querySelector<HTMLElement>(`${within} [role=checkbox]`)!.click()
}

/** An entry of the menu that is open. */
export function entry(words: string): HTMLElement {
  const all = [...document.querySelectorAll<HTMLElement>('[role=menuitem], [role=menuitemradio]')]
  return all.find((one) => one.textContent!.includes(words))!.firstElementChild as HTMLElement
}

/** A key on the page, as it comes from the keyboard. */
export function key(name: string, on: Element = document.body) {
  on.dispatchEvent(new KeyboardEvent('keydown', { key: name, code: name, bubbles: true, cancelable: true }))
}

/** The dialog that is open, by its words; empty where none is. */
export function dialog(): string {
  return (document.querySelector('[role=dialog]')?.textContent ?? '').replace(/\s+/g, ' ').trim()
}
