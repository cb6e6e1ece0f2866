import { describe, expect, it } from 'vitest'
import { place, rowAt } from '@/pieces/sheet/interpolate'
import { said, withUnit } from '@/shared/units'

describe('figures with units', () => {
  it.each([
    [0.0052, 'A', '5.2 mA'],
    [330, 'Ω', '330 Ω'],
    [0.9996, 'Ω', '1 Ω'],
    [47_000, 'Ω', '47 kΩ'],
    [-5, 'V', '−5 V'],
    [1e-12, 'A', '0 A'],
    [null, 'V', '–'],
  ])('%s in %s is said as %s', (value, unit, text) => {
    expect(said(value, unit)).toBe(text)
  })

  it('gives a prefix to electrical units only', () => {
    expect(withUnit(1200, 'Ω')).toBe('1.2 kΩ')
    expect(withUnit(1200, 'cm')).toBe('1200 cm')
    expect(withUnit(-0.5, '')).toBe('−0.5')
  })
})

describe('straight lines between the points of a table', () => {
  it('stays at the ends outside of it', () => {
    expect([place([0, 10, 20], -5), place([0, 10, 20], 99)]).toEqual([
      [0, 0],
      [1, 1],
    ])
  })
  it('goes straight between two rows, also of a table with one', () => {
    expect(
      rowAt(
        [0, 10],
        [
          [0, 100],
          [10, 200],
        ],
        2.5,
      ),
    ).toEqual([2.5, 125])
    expect(rowAt([4], [[7]], 9)).toEqual([7])
  })
})
