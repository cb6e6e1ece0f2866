// Wires: from a pin's chip at the edge into a row or a rail, from rail to row, from hole to hole.
import type { Schemas } from '@/api/client'
import type { Fan } from './blocks'
import { shortName } from './flyers'
import { CHIP, holeX, type Place, railX, readPlace, X } from './places'

export interface Chip {
  text: string
  x: number
  y: number
}
export interface Lead {
  index: number
  line: number
  colour: string | null
  points: [number, number][]
  ends: [string, string]
}

/** Wires that touch a hole or a rail, with the chips of the pins they come from. */
export function placeLeads(
  bench: Schemas['BenchOut'],
  yOf: (row: number) => number,
  head: () => number,
  fan: Fan,
): { chips: Chip[]; leads: Lead[] } {
  const chips: Chip[] = []
  const leads: Lead[] = []
  bench.wires.forEach((wire, index) => {
    const ends: [string, string] = [wire.from_place, wire.to_place]
    const [one, other] = ends.map(readPlace) as [Place, Place]
    const base = { index, line: wire.line, colour: wire.colour ?? null, ends }
    const fromLeg = one.kind === 'leg'
    if (fromLeg && other.kind === 'leg') return // drawn with the flying legs
    if (fromLeg || other.kind === 'leg') {
      const far = fromLeg ? other : one
      const right = far.kind === 'hole' ? holeX(far.letter!) >= X.holesRight : far.rail!.endsWith('R')
      const y = far.kind === 'hole' ? yOf(far.row!) + fan(far.row!) : head()
      const to = endOf(far, y, yOf)
      const x = right ? X.chipRight : X.chipLeft
      chips.push({ text: shortName(fromLeg ? ends[0] : ends[1], bench.board_ref), x, y })
      leads.push({ ...base, points: [[right ? x : x + CHIP, y], to] })
    } else if (one.kind === 'rail' && other.kind === 'rail') {
      const y = head()
      leads.push({ ...base, points: [endOf(one, y, yOf), endOf(other, y, yOf)] })
    } else if (one.kind === 'rail' || other.kind === 'rail') {
      const row = (one.kind === 'rail' ? other : one).row!
      const y = yOf(row) + fan(row)
      leads.push({ ...base, points: [endOf(one, y, yOf), endOf(other, y, yOf)] })
    } else {
      const [a, b] = [endOf(one, 0, yOf), endOf(other, 0, yOf)]
      leads.push({
        ...base,
        points: [a, [(a[0] + b[0]) / 2 - (a[0] === b[0] ? 9 : 0), (a[1] + b[1]) / 2], b],
      })
    }
  })
  return { chips, leads }
}

function endOf(place: Place, y: number, yOf: (row: number) => number): [number, number] {
  return place.kind === 'hole' ? [holeX(place.letter!), yOf(place.row!)] : [railX(place.rail!), y]
}
