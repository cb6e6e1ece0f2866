// A part in a few letters: `th e8`, `led c16 red`, `r c16 c20 330 m=327`, `q1 b=c12 c=c11 e=c13`.
import { part as texts } from '@texts/hand-in'
import { nextRef, type Row } from '../lines'
import { oneOf, resolvePlace } from './place'
import { NotUnderstood, type PartName, type RecipePart, type Vocabulary } from './words'

/** Parts of the recipe that are not in the table yet. */
export function unplaced(rows: Row[], words: Vocabulary): RecipePart[] {
  return words.recipe.filter((part) => !rows.some((row) => row.kind === 'part' && row.name === part.ref))
}

/** What a first word may mean: parts of the recipe still to be placed, then types of the catalogue. */
export function partsLike(typed: string, rows: Row[], words: Vocabulary): { ref: string; type: PartName }[] {
  const lower = typed.toLowerCase()
  const typeOf = (id: string) => words.parts.find((part) => part.id === id)
  const waiting = unplaced(rows, words).filter(
    (p) =>
      p.ref.toLowerCase() === lower || p.part.startsWith(lower) || p.title.toLowerCase().startsWith(lower),
  )
  const fromRecipe = waiting.flatMap((p) => (typeOf(p.part) ? [{ ref: p.ref, type: typeOf(p.part)! }] : []))
  // The recipe's references stay free for the recipe's parts.
  const named = [...rows, ...words.recipe.map((part) => ({ name: part.ref }))]
  const others = words.parts
    .filter((part) => part.id.startsWith(lower) || part.short === lower)
    .sort((a, b) => rank(b, lower) - rank(a, lower))
    .map((type) => ({ ref: nextRef(named, type.letters), type }))
  return [...fromRecipe, ...others]
}

function rank(type: PartName, typed: string): number {
  return type.id === typed || type.short === typed ? 1 : 0
}

export function expandPart(tokens: string[], rows: Row[], words: Vocabulary): Row {
  const [first = '', ...rest] = tokens
  const { ref, type } = named(first, rows, words)
  const legs: string[] = []
  const byName: string[] = []
  const settings: string[] = []
  for (const token of rest) {
    const assigned = /^([\w-]+)=(.*)$/.exec(token)
    const run = /^([a-j])(\d+)-(\d+)$/i.exec(token)
    if (assigned) {
      const key = oneOf(assigned[1]!, [...type.legs, ...type.settings], texts.legsAndSettings(type.id))
      const place = type.legs.includes(key) ? resolvePlace(assigned[2]!, rows, words) : assigned[2]!
      if (!place) throw new NotUnderstood(texts.noPlaceForLeg(assigned[2]!, key))
      ;(type.legs.includes(key) ? byName : settings).push(`${key}=${place}`)
    } else if (run) {
      legs.push(...rowsFrom(run[1]!, Number(run[2]), Number(run[3])))
    } else {
      const setting = settingOf(token, type, words)
      const place = setting ? null : resolvePlace(token, rows, words)
      if (setting) settings.push(setting)
      else if (place) legs.push(place)
      else throw new NotUnderstood(texts.unknownWord(token, type.id))
    }
  }
  const recipe = words.recipe.find((part) => part.ref === ref)
  if (type.colours.length && recipe?.settings.colour && !settings.some((s) => s.startsWith('colour=')))
    settings.push(`colour=${recipe.settings.colour}`)
  return {
    kind: 'part', name: ref, type: type.id, places: [...placesFor(legs, byName, type), ...byName].join(' '),
    more: settings.join(' '), comment: '', raw: '',
  } // prettier-ignore
}

function named(first: string, rows: Row[], words: Vocabulary): { ref: string; type: PartName } {
  const found = partsLike(first, rows, words)
  const best = found[0]
  if (!best) {
    if (rows.some((row) => row.name === first.toUpperCase()))
      throw new NotUnderstood(texts.alreadyThere(first.toUpperCase()))
    throw new NotUnderstood(texts.unknownStart(first))
  }
  const isOfRecipe = words.recipe.some((part) => part.ref === best.ref)
  const types = new Set(found.map((one) => one.type.id))
  if (!isOfRecipe && !rank(best.type, first.toLowerCase()) && types.size > 1)
    throw new NotUnderstood(texts.ambiguous(first, [...types].slice(0, 5).join(', ')))
  return best
}

function placesFor(legs: string[], byName: string[], type: PartName): string[] {
  if (!legs.length && !byName.length) throw new NotUnderstood(texts.legsMissing(type.legs.join(', ')))
  if (legs.length && type.by_name)
    throw new NotUnderstood(texts.legNamesNeeded(type.id, type.legs.map((l) => `${l[0]}=`).join(' ')))
  const hole = legs.length === 1 && /^([a-j])(\d+)$/.exec(legs[0]!)
  if (hole && type.legs.length > 1 && !byName.length)
    return rowsFrom(hole[1]!, Number(hole[2]), Number(hole[2]) + type.legs.length - 1)
  if (legs.length && !byName.length && legs.length !== type.legs.length)
    throw new NotUnderstood(texts.legsAreMissing(legs.length, type.legs.length, type.legs.join(', ')))
  return legs
}

function rowsFrom(letter: string, from: number, to: number): string[] {
  const step = from <= to ? 1 : -1
  const count = Math.abs(to - from) + 1
  if (count > 40) throw new NotUnderstood(texts.rangeTooLong(letter, from, to))
  return Array.from({ length: count }, (_, i) => `${letter.toLowerCase()}${from + i * step}`)
}

/** A bare word that is a setting of this type: a value, bands, a colour. */
function settingOf(token: string, type: PartName, words: Vocabulary): string | null {
  const lower = token.toLowerCase()
  const colour = type.colours.find((name) => name.startsWith(lower))
  if (colour) return `colour=${colour}`
  const bands = type.settings.includes('bands') ? bandsOf(lower, words.bandCodes) : null
  if (bands) return `bands=${bands.join('-')}`
  return type.value_setting && /^\d/.test(token) ? `${type.value_setting}=${token}` : null
}

/** `ogogbngd`, `og-og-bn-gd` or `orange-orange-brown-gold` as colours; null when it is none of these. */
export function bandsOf(typed: string, codes: Record<string, string>): string[] | null {
  const words = typed.includes('-')
    ? typed.split('-')
    : /^([a-z]{2}){3,6}$/.test(typed)
      ? typed.match(/../g)!
      : []
  if (words.length < 3 || words.length > 6) return null
  const colours = words.map(
    (word) =>
      codes[word] ?? Object.values(codes).find((colour) => word.length > 2 && colour.startsWith(word)),
  )
  return colours.every(Boolean) ? (colours as string[]) : null
}
