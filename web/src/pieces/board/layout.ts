// Where things stand on the board map. Geometry only: which places exist and what lies in them comes from
// the core. Empty rows are folded, so that a circuit fits without zooming.
import type { Schemas } from '@/api/client'

type Bench = Schemas['BenchOut']

/* All lengths are in units of the drawing, which scales to its column. */
export const ROW = 22
export const COL = 19
export const X = {
  chipLeft: 8,
  railPlusL: 104,
  railMinusL: 126,
  holesLeft: 166,
  ditch: 252,
  holesRight: 330,
  railPlusR: 484,
  railMinusR: 506,
  chipRight: 530,
  width: 614,
}
export const CHIP = 76

export interface Place {
  kind: 'hole' | 'rail' | 'leg'
  letter?: string
  row?: number
  rail?: string
  ref?: string
  leg?: string
}

export function readPlace(text: string): Place {
  const hole = /^([a-j])(\d+)$/.exec(text)
  if (hole) return { kind: 'hole', letter: hole[1]!, row: Number(hole[2]) }
  const rail = /^([+-][LR])(\d+)?$/.exec(text)
  if (rail) return { kind: 'rail', rail: rail[1]!, row: rail[2] ? Number(rail[2]) : undefined }
  const [ref, leg] = text.split('.')
  return { kind: 'leg', ref, leg }
}

export function holeX(letter: string): number {
  const index = 'abcdefghij'.indexOf(letter)
  return index < 5 ? X.holesLeft + index * COL : X.holesRight + (index - 5) * COL
}

export function railX(rail: string): number {
  return { '+L': X.railPlusL, '-L': X.railMinusL, '+R': X.railPlusR, '-R': X.railMinusR }[rail] ?? X.railPlusL
}

export type Band =
  { kind: 'row'; row: number; y: number } | { kind: 'fold'; from: number; to: number; y: number }

export interface Chip {
  text: string
  x: number
  y: number
  anchorX: number
  net: string
}

export interface Lead {
  index: number
  line: number
  colour: string | null
  points: [number, number][]
  ends: [string, string]
}

export interface Block {
  ref: string
  title: string
  type: string
  legs: { leg: string; x: number; y: number; place: string }[]
  label: { x: number; y: number }
  spine: [number, number][]
}

export interface MapLayout {
  height: number
  bands: Band[]
  chips: Chip[]
  leads: Lead[]
  blocks: Block[]
  flying: string[]
  /** Where the words for folded rows stand: in the half with fewer parts. */
  foldX: number
}

/** Lay a bench out. Rows that hold nothing are folded. */
export function layOut(bench: Bench): MapLayout {
  const used = usedRows(bench)
  const headLeads = bench.wires.filter((w) => touches(w, 'leg') && touches(w, 'rail'))
  const top = 44 + Math.max(0, headLeads.length) * 24
  const bands = foldRows(used, bench.rows, top)
  const yOf = new Map<number, number>()
  for (const band of bands) if (band.kind === 'row') yOf.set(band.row, band.y)
  const last = bands.at(-1)
  const { chips, leads, flying } = placeLeads(bench, yOf)
  const blocks = placeBlocks(bench, yOf)
  const onLeft = blocks.filter((block) => block.legs.every((leg) => leg.x < X.ditch)).length
  const foldX = (onLeft * 2 > blocks.length ? X.holesRight : X.holesLeft) - 8
  return { height: (last?.y ?? top) + ROW, bands, chips, leads, blocks, flying, foldX }
}

function touches(wire: Bench['wires'][number], kind: Place['kind']): boolean {
  return [wire.from_place, wire.to_place].some((p) => readPlace(p).kind === kind)
}

function usedRows(bench: Bench): Set<number> {
  const rows = new Set<number>()
  const places = [
    ...bench.parts.flatMap((p) => Object.values(p.legs)),
    ...bench.wires.flatMap((w) => [w.from_place, w.to_place]),
  ]
  for (const text of places) {
    const place = readPlace(text)
    if (place.kind === 'hole' && place.row) rows.add(place.row)
  }
  return rows
}

function foldRows(used: Set<number>, rows: number, top: number): Band[] {
  const bands: Band[] = []
  let y = top
  let row = 1
  while (row <= rows) {
    if (used.has(row)) {
      bands.push({ kind: 'row', row, y })
      row += 1
      y += ROW
      continue
    }
    let to = row
    while (to < rows && !used.has(to + 1)) to += 1
    bands.push({ kind: 'fold', from: row, to, y })
    y += ROW - 4
    row = to + 1
  }
  return bands
}

function placeBlocks(bench: Bench, yOf: Map<number, number>): Block[] {
  const taken: { x: number; y: number }[] = []
  const blocks: Block[] = []
  for (const part of bench.parts) {
    const legs = Object.entries(part.legs).flatMap(([leg, text]) => {
      const place = readPlace(text)
      if (place.kind === 'hole')
        return [{ leg, x: holeX(place.letter!), y: yOf.get(place.row!) ?? 0, place: text }]
      if (place.kind === 'rail') return [{ leg, x: railX(place.rail!), y: 40, place: text }]
      return []
    })
    if (!legs.length) continue
    const onRight = legs.every((leg) => leg.x >= X.holesRight)
    const middle = (Math.min(...legs.map((l) => l.y)) + Math.max(...legs.map((l) => l.y))) / 2
    // Labels of the left half stand in the ditch, those of the right half beside it: never over a row number or a hole.
    const x = onRight ? X.holesRight + 5 * COL + 2 : X.ditch
    let y = middle
    while (taken.some((spot) => spot.x === x && Math.abs(spot.y - y) < 20)) y += 20
    taken.push({ x, y })
    blocks.push({
      ref: part.ref,
      title: part.title,
      type: part.type,
      legs,
      label: { x, y },
      spine: legs.map((leg) => [leg.x, leg.y]),
    })
  }
  return blocks
}

function placeLeads(
  bench: Bench,
  yOf: Map<number, number>,
): { chips: Chip[]; leads: Lead[]; flying: string[] } {
  const chips: Chip[] = []
  const leads: Lead[] = []
  const flying: string[] = []
  const lanes = new Map<string, number>()
  let head = 44
  bench.wires.forEach((wire, index) => {
    const ends: [string, string] = [wire.from_place, wire.to_place]
    const [one, other] = ends.map(readPlace) as [Place, Place]
    const base = { index, line: wire.line, colour: wire.colour ?? null, ends }
    const leg = one.kind === 'leg' ? one : other.kind === 'leg' ? other : null
    const far = leg === one ? other : one
    if (leg && far.kind !== 'leg') {
      const right = far.kind === 'hole' ? holeX(far.letter!) >= X.holesRight : far.rail!.endsWith('R')
      const lane = `${far.row ?? far.rail}${right}`
      const offset = (lanes.get(lane) ?? 0) * 8
      lanes.set(lane, (lanes.get(lane) ?? 0) + 1)
      const y = far.kind === 'hole' ? (yOf.get(far.row!) ?? 0) + offset : head
      if (far.kind === 'rail') head += 24
      const x = right ? X.chipRight : X.chipLeft
      const toX = far.kind === 'hole' ? holeX(far.letter!) : railX(far.rail!)
      const toY = far.kind === 'hole' ? (yOf.get(far.row!) ?? 0) : y
      const text = leg.ref === bench.board_ref ? leg.leg! : `${leg.ref}.${leg.leg}`
      chips.push({ text, x, y, anchorX: right ? x : x + CHIP, net: `${leg.ref}.${leg.leg}` })
      leads.push({
        ...base,
        points: [
          [right ? x : x + CHIP, y],
          [toX, toY],
        ],
      })
    } else if (leg) {
      flying.push(`${ends[0]} – ${ends[1]}`)
    } else {
      const rail = one.kind === 'rail' ? one : other.kind === 'rail' ? other : null
      const end = rail === one ? other : one
      if (rail && end.kind === 'hole') {
        const y = yOf.get(end.row!) ?? 0
        leads.push({
          ...base,
          points: [
            [railX(rail.rail!), y],
            [holeX(end.letter!), y],
          ],
        })
      } else if (rail && end.kind === 'rail') {
        leads.push({
          ...base,
          points: [
            [railX(rail.rail!), 30],
            [railX(end.rail!), 30],
          ],
        })
      } else {
        const [a, b] = [one, other].map((p): [number, number] => [
          holeX(p.letter!),
          yOf.get(p.row!) ?? 0,
        ]) as [[number, number], [number, number]]
        leads.push({ ...base, points: [a, [a[0] - 9, (a[1] + b[1]) / 2], b] })
      }
    }
  })
  return { chips, leads, flying }
}

const COLOURS: Record<string, string> = {
  red: '#c22737',
  black: '#2b2f3a',
  yellow: '#c79a00',
  green: '#2b8a4b',
  blue: '#2f62c4',
  orange: '#d4721a',
  white: '#b8b4a8',
  brown: '#7a4b25',
  violet: '#7a46a8',
  purple: '#7a46a8',
  grey: '#80848f',
  gray: '#80848f',
  pink: '#d0679a',
}

/** The wire's own colour, so that the map can be held against the real board. */
export function wireColour(name: string | null, dark: boolean): string {
  if (name === 'black' && dark) return '#9aa0ae'
  return COLOURS[name ?? ''] ?? (dark ? '#9aa0ae' : '#6a6f7d')
}
