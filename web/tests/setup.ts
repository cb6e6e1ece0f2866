// What every test of the front end has: a `fetch` that a test can answer, and drawings that only keep what they are given.
import { afterEach, vi } from 'vitest'
import { defineComponent, h } from 'vue'

export const wire: { answer: typeof fetch } = {
  answer: () => Promise.reject(new Error('no server stands in')),
}
// The client keeps the `fetch` it finds when it is made, so it finds this one.
globalThis.fetch = ((input: RequestInfo | URL, init?: RequestInit) =>
  wire.answer(input, init)) as typeof fetch

/** A feed that says nothing; a test that listens brings its own. */
class Quiet {
  static readonly CLOSED = 2
  readyState = 1
  close() {
    this.readyState = Quiet.CLOSED
  }
}
vi.stubGlobal('EventSource', Quiet)

vi.mock('vue-echarts', () => ({
  default: defineComponent({
    name: 'DrawnPlot',
    props: { option: { type: Object, default: null } },
    setup: () => () => h('div', { class: 'drawn' }),
  }),
}))

afterEach(() => {
  localStorage.clear()
  sessionStorage.clear()
})
