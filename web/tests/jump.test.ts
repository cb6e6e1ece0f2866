import { describe, expect, it } from 'vitest'
import { bestMatches } from '@/shared/jump'

const TARGETS = [
  { label: '1 Halvorsen · Idris', hint: 'Nora Halvorsen, Sami Idris', to: '/dockets/1' },
  { label: '2 Castell · Nwosu', hint: 'Leo Castell, Ada Nwosu', to: '/dockets/2' },
  { label: '12 Adeyemi · Roux', hint: 'Tola Adeyemi, Mae Roux', to: '/dockets/12' },
  { label: 'HB-02', hint: 'Castell · Nwosu', to: '/hatch?kit=HB-02' },
]
const found = (typed: string) => bestMatches(TARGETS, typed).map((t) => t.label)

describe('going to a pair by a few letters', () => {
  it('finds a student by the first name', () => {
    expect(found('leo')).toEqual(['2 Castell · Nwosu'])
  })

  it('puts a label that begins with the letters before one that only holds them', () => {
    expect(found('2')[0]).toBe('2 Castell · Nwosu')
    expect(found('cast')).toEqual(['2 Castell · Nwosu', 'HB-02'])
  })

  it('wants every word, and shows everything while nothing is typed', () => {
    expect(found('castell idris')).toEqual([])
    expect(found(' ')).toHaveLength(4)
  })
})
