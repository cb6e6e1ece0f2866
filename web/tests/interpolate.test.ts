// What the sliders show while they move: straight lines between the server's points, and nothing outside them.
import { describe, expect, it } from 'vitest'
import { place, rowAt, shiftAt, shifts, type Slider } from '@/pieces/sheet/interpolate'

const POINTS = [0, 1, 4, 10]
const six = (value: number) => Array<number>(6).fill(value)

describe('a place between points', () => {
  it.each([
    [-5, [0, 0]],
    [0, [0, 0]],
    [0.5, [0, 0.5]],
    [1, [1, 0]],
    [7, [2, 0.5]],
    [10, [2, 1]],
    [99, [2, 1]],
  ])('%s', (x, expected) => expect(place(POINTS, x)).toEqual(expected))

  it('is at the only point of a single one, and nowhere of none', () => {
    expect(place([3], 5)).toEqual([0, 0])
    expect(place([], 5)).toEqual([0, 0])
  })
})

describe('a row between rows', () => {
  it('is exact at the points and straight between them', () => {
    const rows = [0, 2, 8, 20].map(six) // twice the point
    for (let x = 0; x <= 10; x += 0.25) expect(rowAt(POINTS, rows, x)[0]).toBeCloseTo(2 * x, 9)
  })
})

describe('sliders', () => {
  // The reading is stimulus × position: two axes, linear in each.
  const slider = {
    key: 'R1',
    value: 2,
    positions: [1, 2, 3],
    table: [1, 2, 3].map((position) => POINTS.map((stimulus) => six(stimulus * position))),
  } as unknown as Slider

  it('add nothing where they stand as usual', () => {
    for (const stimulus of [0, 0.3, 5, 10]) expect(shiftAt(POINTS, slider, 2, stimulus)).toEqual(six(0))
  })

  it('add what they change, also between their positions', () => {
    expect(shiftAt(POINTS, slider, 2.5, 4)[0]).toBeCloseTo(2, 9)
    expect(shiftAt(POINTS, slider, 1, 10)[0]).toBeCloseTo(-10, 9)
  })

  it('add up, and stop at the ends of their ranges', () => {
    const both = shifts(POINTS, [[slider, 3], [slider, 1]], 4) // prettier-ignore
    expect(both.map((value) => Math.abs(value))).toEqual(six(0))
    expect(shiftAt(POINTS, slider, 99, 4)).toEqual(shiftAt(POINTS, slider, 3, 4))
  })
})
