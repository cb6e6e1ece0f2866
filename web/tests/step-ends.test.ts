import { describe, expect, it } from 'vitest'
import { indexOf, moved, pathOf } from '@/places/docket/readings/step-ends'

const DRAWN = [2, 4, 6, 8].map((line) => ({ line, value: line / 2 }))

describe('the begins of steps in the plot of a log', () => {
  it('stand at the first reading on their line or after it', () => {
    expect([2, 3, 6, 99].map((line) => indexOf(DRAWN, line))).toEqual([0, 1, 2, 3])
  })
  it('are moved by keys and stay within the log', () => {
    expect([moved('ArrowRight', 1, 4), moved('ArrowLeft', 0, 4), moved('PageUp', 1, 4)]).toEqual([2, 0, 3])
    expect([moved('Home', 3, 4), moved('End', 0, 4), moved('a', 0, 4)]).toEqual([0, 3, null])
  })
  it('are drawn over a line that one wild value does not flatten', () => {
    const values = [...Array.from({ length: 200 }, (_, i) => 20 + (i % 5)), 9999]
    const path = pathOf(
      values.map((value, line) => ({ line, value })),
      100,
    )
    const heights = path.match(/ (\d+\.\d)/g)!.map(Number)
    expect(Math.max(...heights) - Math.min(...heights.slice(0, 200))).toBeGreaterThan(60)
  })
  it('are drawn for readings that stand still', () => {
    expect(
      pathOf(
        DRAWN.map((point) => ({ ...point, value: 5 })),
        100,
      ),
    ).not.toContain('NaN')
  })
})
