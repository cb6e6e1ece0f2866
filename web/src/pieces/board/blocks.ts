// Parts as labelled blocks: a bar between two legs or along a column, an outline where legs spread over the board.
import type { Schemas } from '@/api/client'
import { COL, holeX, type Place, railX, readPlace, ROW, X } from './places'

export interface Leg {
  leg: string
  x: number
  y: number
  place: string
}
export interface Block {
  ref: string
  title: string
  legs: Leg[]
  label: { x: number; y: number }
  /** Where the line to the label begins. */
  from: { x: number; y: number }
  spine: [number, number][]
  outline: { x: number; y: number; width: number; height: number } | null
}

/** How far the far end of a line in a row is set off, so that lines of one row lie beside each other. */
export type Fan = (row: number) => number

type Part = Schemas['BoardPartOut']

/** Blocks of all parts with a leg in a hole or a rail. `head` gives a height to what lies in rails alone. */
export function placeBlocks(
  parts: Part[],
  yOf: (row: number) => number,
  head: () => number,
  fan: Fan,
): Block[] {
  const taken: { x: number; y: number }[] = []
  return parts
    .map((part) => ({ part, legs: legsOf(part, yOf, head, fan) }))
    .filter(({ legs }) => legs.length)
    .sort((a, b) => middleOf(a.legs) - middleOf(b.legs)) // labels are given from above to below
    .map(({ part, legs }) => {
      const xs = legs.map((leg) => leg.x)
      const [left, right] = [Math.min(...xs), Math.max(...xs)]
      const label = freeSpot(legs, taken)
      taken.push(label)
      const outline = outlineOf(legs)
      return {
        ref: part.ref,
        title: part.title,
        legs,
        label,
        from: { x: Math.min(Math.max(label.x, left), right), y: middleOf(legs) },
        spine: outline ? [] : legs.map((leg): [number, number] => [leg.x, leg.y]),
        outline,
      }
    })
}

function middleOf(legs: Leg[]): number {
  const ys = legs.map((leg) => leg.y)
  return (Math.min(...ys) + Math.max(...ys)) / 2
}

/** Around legs that spread over rows and columns; null where a line joins them. */
function outlineOf(legs: Leg[]): Block['outline'] {
  const [xs, ys] = [legs.map((leg) => leg.x), legs.map((leg) => leg.y)]
  if (legs.length < 3 || new Set(xs).size === 1 || new Set(ys).size === 1) return null
  const [x, y] = [Math.min(...xs) - 8, Math.min(...ys) - 8]
  return { x, y, width: Math.max(...xs) + 8 - x, height: Math.max(...ys) + 8 - y }
}

function legsOf(part: Part, yOf: (row: number) => number, head: () => number, fan: Fan): Leg[] {
  const places = Object.entries(part.legs).map(([leg, text]): [string, string, Place] => [
    leg,
    text,
    readPlace(text),
  ])
  const hole = places.find(([, , place]) => place.kind === 'hole')
  // A leg in a rail stands beside the leg that is in a row: that is where a student would look for it.
  const rails = places.some(([, , p]) => p.kind === 'rail')
  const beside = hole ? yOf(hole[2].row!) + (rails ? fan(hole[2].row!) : 0) : rails ? head() : 0
  return places.flatMap(([leg, text, place]) => {
    if (place.kind === 'hole') return [{ leg, x: holeX(place.letter!), y: yOf(place.row!), place: text }]
    if (place.kind === 'rail') return [{ leg, x: railX(place.rail!), y: beside, place: text }]
    return []
  })
}

/** Beside the part: in the ditch, or at the right edge for what sits there and finds the ditch taken. */
function freeSpot(legs: Leg[], taken: { x: number; y: number }[]): { x: number; y: number } {
  const middle = middleOf(legs)
  const onRight = legs.every((leg) => leg.x >= X.holesRight)
  const isFree = (x: number, y: number) =>
    !taken.some((spot) => spot.x === x && Math.abs(spot.y - y) < ROW - 1)
  const edge = X.holesRight + 5 * COL + 4
  if (onRight && !isFree(X.ditch, middle) && isFree(edge, middle)) return { x: edge, y: middle }
  let y = middle
  while (!isFree(X.ditch, y)) y += ROW - 1
  return { x: X.ditch, y }
}
