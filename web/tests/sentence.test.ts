// A sentence with marked parts: each stands where the language wants it, and nothing that was typed is taken for a place.
import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { h } from 'vue'
import Sentence from '@/pieces/Sentence.vue'
import { and, or } from '@texts/language'

const said = (text: string, slots: Record<string, () => unknown> = {}) =>
  mount({ render: () => h('p', h(Sentence, { text }, slots)) }).html({ raw: true })

describe('a sentence', () => {
  const slots = { tag: () => h('b', 'HB-02'), link: () => h('a', 'look') }

  it('has its marked parts where the text names them', () => {
    expect(said('Kit {tag} is out: {link}.', slots)).toContain('Kit <b>HB-02</b> is out: <a>look</a>.')
  })

  it('of a language with another order has them in that order', () => {
    expect(said('{link}: out is {tag}.', slots)).toContain('<a>look</a>: out is <b>HB-02</b>.')
  })

  it('may name a part twice or leave one out', () => {
    expect(said('{tag}, {tag}', slots)).toContain('<b>HB-02</b>, <b>HB-02</b>')
    expect(said('Nothing', slots)).toContain('<p>Nothing')
  })

  it('shows braces that name no part as they were typed', () => {
    expect(said('The note “{broken}” of {tag}', slots)).toContain('“{broken}” of <b>HB-02</b>')
    expect(said('{', slots)).toContain('{')
  })
})

describe('things in a row', () => {
  it.each([
    [[], '', ''],
    [['Kim'], 'Kim', 'Kim'],
    [['Kim', 'Roux'], 'Kim and Roux', 'Kim or Roux'],
    [['Kim', 'Roux', 'Bose'], 'Kim, Roux and Bose', 'Kim, Roux or Bose'],
  ])('%j', (things, all, one) => {
    expect(and(things)).toBe(all)
    expect(or(things)).toBe(one)
  })
})
