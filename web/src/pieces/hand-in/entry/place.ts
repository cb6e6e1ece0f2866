// Places as people type them: a5, +l, -r40, .8 for pin D8, .g for GND, u1.o for U1.out.
import { or } from '@texts/language'
import { place as texts } from '@texts/hand-in'
import type { Row } from '../lines'
import { NotUnderstood, type Vocabulary } from './words'

/** The place in full, or null when the token is none. Throws where it is one that cannot be told apart. */
export function resolvePlace(token: string, rows: Row[], words: Vocabulary): string | null {
  const lower = token.toLowerCase()
  if (/^[a-j][1-9]\d?$/.test(lower)) {
    if (Number(lower.slice(1)) > rowsOf(rows)) throw new NotUnderstood(texts.beyondBase(lower, rowsOf(rows)))
    return lower
  }
  const rail = /^([+-])([lr])(\d*)$/.exec(lower)
  if (rail) return `${rail[1]}${rail[2]!.toUpperCase()}${rail[3]}`
  if (/^[+-]/.test(token)) throw new NotUnderstood(texts.unknownRail(token))
  if (token.startsWith('.')) return `${boardRef(rows)}.${pinOf(token.slice(1), words.pins)}`
  const [ref, leg] = token.split('.')
  if (leg === undefined || !/^[a-z]+\d+$/i.test(ref!)) return null
  if (ref!.toUpperCase() === boardRef(rows)) return `${boardRef(rows)}.${pinOf(leg, words.pins)}`
  const part = rows.find((row) => row.kind === 'part' && row.name === ref!.toUpperCase())
  const type = words.parts.find((p) => p.id === part?.type)
  if (!type) throw new NotUnderstood(texts.unknownPart(ref!.toUpperCase()))
  return `${part!.name}.${oneOf(leg, type.legs, texts.legsOf(part!.name))}`
}

/** How many rows the base of this bench has. */
export function rowsOf(rows: Row[]): number {
  const base = rows.find((row) => row.kind === 'base')
  const named = `${base?.name ?? ''} ${base?.type ?? ''} ${base?.places ?? ''}`
  return /full/.test(named) ? 63 : 30
}

export function boardRef(rows: Row[]): string {
  return rows.find((row) => row.kind === 'board')?.name || 'B1'
}

/** Pins that a few letters may mean, the likeliest first. A number is a digital pin of that number. */
export function pinsLike(typed: string, pins: string[]): string[] {
  const name = typed.toUpperCase()
  const exact = pins.filter((pin) => pin === name)
  const numbered = /^\d+$/.test(name) ? pins.filter((pin) => new RegExp(`^(D|GPIO)${name}$`).test(pin)) : []
  const begun = pins.filter((pin) => pin.startsWith(name))
  return [...new Set([...exact, ...numbered, ...begun])]
}

function pinOf(typed: string, pins: string[]): string {
  const name = typed.toUpperCase()
  if (!typed) throw new NotUnderstood(texts.whichPin)
  const [best, second] = pinsLike(typed, pins)
  // GND2 and header positions are other names of pins; the check knows them.
  if (!best && /^(GND\d+|P\d+|VIN|AREF)$/.test(name)) return name
  if (!best) throw new NotUnderstood(texts.unknownPin(typed))
  const sure = best === name || /^\d+$/.test(name) || !second
  if (!sure) throw new NotUnderstood(texts.mayBePin(typed, pinsLike(typed, pins).slice(0, 4).join(', ')))
  return best
}

/** The one name that begins so. Throws when there is none or more than one. */
export function oneOf(typed: string, names: string[], of: string): string {
  const lower = typed.toLowerCase()
  const exact = names.find((name) => name === lower)
  const begun = names.filter((name) => name.startsWith(lower))
  if (exact) return exact
  if (begun.length === 1) return begun[0]!
  if (!begun.length) throw new NotUnderstood(texts.unknownLeg(typed, of, names.join(', ')))
  throw new NotUnderstood(texts.mayBeBegun(typed, or(begun)))
}
