// Legs that sit in no breadboard: led straight to a pin of the board or to another part's leg.
import type { Schemas } from '@/api/client'
import { readPlace } from './places'

export interface Flyer {
  ref: string
  title: string
  y: number
  legs: { leg: string; to: string; y: number }[]
}
const LINE = 24

/** Parts with such legs, one under the other from `top` on, and the height they take. */
export function placeFlyers(bench: Schemas['BenchOut'], top: number): { flyers: Flyer[]; height: number } {
  const flyers: Flyer[] = []
  let y = top
  for (const part of bench.parts) {
    const led = [
      ...Object.entries(part.legs)
        .filter(([, text]) => readPlace(text).kind === 'leg')
        .map(([leg, text]): [string, string] => [leg, text]),
      ...bench.wires.flatMap((wire) => endsAt(part.ref, wire.from_place, wire.to_place)),
    ]
    if (!led.length) continue
    const legs = led.map(([leg, to], index) => ({
      leg,
      to: shortName(to, bench.board_ref),
      y: y + index * LINE,
    }))
    flyers.push({ ref: part.ref, title: part.title, y: y + ((led.length - 1) * LINE) / 2, legs })
    y += led.length * LINE + 12
  }
  return { flyers, height: y - top }
}

/** A wire from a leg of this part to a pin or a leg: it touches no hole, so it is drawn here. */
function endsAt(ref: string, from: string, to: string): [string, string][] {
  const [one, other] = [readPlace(from), readPlace(to)]
  if (one.kind !== 'leg' || other.kind !== 'leg') return []
  if (one.ref === ref) return [[one.leg!, to]]
  return other.ref === ref ? [[other.leg!, from]] : []
}

export function shortName(place: string, board: string): string {
  return place.startsWith(`${board}.`) ? place.slice(board.length + 1) : place
}
