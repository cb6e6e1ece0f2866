// The board map as geometry: every lead and every leg has its place, and labels lie beside each other.
import { describe, expect, it } from 'vitest'
import { foldRows, heights, usedRows } from '@/pieces/board/bands'
import { wireColour } from '@/pieces/board/colours'
import { layOut } from '@/pieces/board/layout'
import { holeX, railX, readPlace, ROW, X } from '@/pieces/board/places'
import type { Schemas } from '@/api/client'
import instructor from './screens/answers/ines.marlow.json'

type Bench = Schemas['BenchOut']
const { stopped, marked } = instructor.numbers
const recorded = instructor.answers as unknown as Record<string, { wiring: { bench: Bench } }>
const BENCHES = [stopped, marked].map((id) => recorded[`/api/dockets/${id}`]!.wiring.bench)
const [BENCH] = BENCHES as [Bench]
const wire = (from: string, to: string, line = 9) => ({ from_place: from, to_place: to, line, colour: null })

describe('places', () => {
  it.each([
    ['e14', { kind: 'hole', letter: 'e', row: 14 }],
    ['+L', { kind: 'rail', rail: '+L', row: undefined }],
    ['-R40', { kind: 'rail', rail: '-R', row: 40 }],
    ['B1.A0', { kind: 'leg', ref: 'B1', leg: 'A0' }],
    ['U1.out', { kind: 'leg', ref: 'U1', leg: 'out' }],
  ])('%s', (text, place) => expect(readPlace(text)).toEqual(place))

  it('stand in their order from left to right, the ditch between e and f', () => {
    const xs = [...'abcdefghij'].map(holeX)
    expect([...xs].sort((a, b) => a - b)).toEqual(xs)
    expect(xs[4]!).toBeLessThan(X.ditch)
    expect(xs[5]!).toBeGreaterThan(X.ditch)
    expect(railX('+L')).toBeLessThan(xs[0]!)
    expect(railX('-R')).toBeGreaterThan(xs[9]!)
  })
})

describe('rows', () => {
  it('that hold nothing are folded, each run of them once', () => {
    const bands = foldRows(new Set([3, 4, 9]), 12, 0)
    expect(bands.map((band) => (band.kind === 'row' ? band.row : [band.from, band.to]))).toEqual([
      [1, 2],
      3,
      4,
      [5, 8],
      9,
      [10, 12],
    ])
    const yOf = heights(bands)
    expect(yOf(6)).toBe(yOf(7)) // both at the fold
    expect(yOf(4) - yOf(3)).toBe(ROW)
  })

  it('cover the base without a gap, whatever is used', () => {
    for (let seed = 1; seed < 200; seed++) {
      const used = new Set([...Array(30).keys()].map((n) => n + 1).filter((n) => (n * seed * 7919) % 11 < 3))
      const bands = foldRows(used, 30, 40)
      const covered = bands.flatMap((b) =>
        b.kind === 'row' ? [b.row] : Array.from({ length: b.to - b.from + 1 }, (_, i) => b.from + i),
      )
      expect(covered).toEqual([...Array(30).keys()].map((n) => n + 1))
      const ys = bands.map((band) => band.y)
      expect([...ys].sort((a, b) => a - b)).toEqual(ys)
    }
  })

  it('that a wire or a leg stands in are used', () => {
    const bench = { ...BENCH, parts: [], wires: [wire('a5', 'B1.A0'), wire('+L', 'j12')] } as Bench
    expect([...usedRows(bench)]).toEqual([5, 12])
  })
})

describe.each(BENCHES.map((bench, index) => [index, bench] as const))('the map of bench %s', (_, bench) => {
  const map = layOut(bench)

  it('draws each wire once, from one of its places to the other', () => {
    expect(map.leads.map((lead) => lead.index)).toEqual(bench.wires.map((_, index) => index))
    for (const lead of map.leads) expect(lead.points.length).toBeGreaterThanOrEqual(2)
  })

  it('puts each leg in its hole', () => {
    for (const block of map.blocks)
      for (const leg of block.legs) {
        const place = readPlace(leg.place)
        if (place.kind === 'hole') expect(leg.x).toBe(holeX(place.letter!))
      }
    expect(map.blocks.map((block) => block.ref).sort()).toEqual(bench.parts.map((part) => part.ref).sort())
  })

  it('lays no label over another, and nothing outside the drawing', () => {
    const labels = map.blocks.map((block) => block.label)
    labels.forEach((one, i) =>
      labels
        .slice(i + 1)
        .forEach((other) => expect(one.x !== other.x || Math.abs(one.y - other.y) >= ROW - 1).toBe(true)),
    )
    for (const { x, y } of labels) {
      expect(x).toBeLessThan(X.width)
      expect(y).toBeLessThan(map.height)
    }
  })
})

describe('what is not on the base', () => {
  it('flies beside it, with the pin it is led to', () => {
    const bench = {
      ...BENCH,
      rows: 0,
      wires: [],
      parts: [{ ref: 'U1', title: 'thermometer', legs: { out: 'B1.A0', supply: 'B1.5V' } }],
    }
    const { flyers, blocks } = layOut(bench as unknown as Bench)
    expect(blocks).toEqual([])
    expect(flyers[0]!.legs.map((leg) => [leg.leg, leg.to])).toEqual([
      ['out', 'A0'],
      ['supply', '5V'],
    ])
  })

  it('is drawn for a wire from leg to leg as well', () => {
    const parts = [
      { ref: 'U1', title: 'thermometer', legs: {} },
      { ref: 'R1', title: 'resistor', legs: {} },
    ]
    const bench = { ...BENCH, rows: 0, parts, wires: [wire('U1.out', 'R1.1')] } as unknown as Bench
    expect(layOut(bench).flyers.map((flyer) => [flyer.ref, flyer.legs[0]!.to])).toEqual([
      ['U1', 'R1.1'],
      ['R1', 'U1.out'],
    ])
  })

  it('rails broken in the middle are two runs', () => {
    expect(layOut({ ...BENCH, base: 'full-split', rows: 63 }).rails).toHaveLength(2)
    expect(layOut({ ...BENCH, base: 'full', rows: 63 }).rails).toHaveLength(1)
  })

  it('shows a black wire on a dark ground, and one without a colour on both', () => {
    expect(wireColour('black', true)).not.toBe(wireColour('black', false))
    expect(wireColour(null, true)).toMatch(/^#/)
    expect(wireColour('mauve', false)).toBe(wireColour(null, false))
  })
})
