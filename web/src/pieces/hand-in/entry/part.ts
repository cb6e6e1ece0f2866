// A part in a few letters: `th e8`, `led c16 red`, `r c16 c20 330 m=327`, `q1 b=c12 c=c11 e=c13`.
import { nextRef, type Row } from '../lines'
import { oneOf, resolvePlace } from './place'
import { NotUnderstood, type PartName, type RecipePart, type Vocabulary } from './words'

const LETTERS: Record<string, string> = {
  resistor: 'R', led: 'D', diode: 'D', 'rgb-cc': 'D', 'rgb-ca': 'D', buzzer: 'BZ', piezo: 'BZ', speaker: 'SP',
  button: 'S', 'button-4': 'S', vibration: 'S', capacitor: 'C', npn: 'Q', relay: 'K', motor: 'M', lamp: 'H',
  battery: 'BT', pot: 'P', trimmer: 'P', 'light-cell': 'LC',
} // prettier-ignore
/** Types by the letter of their reference: `r` is a resistor whatever else begins so. */
const BY_LETTER: Record<string, string> = {
  r: 'resistor', d: 'led', c: 'capacitor', q: 'npn', s: 'button', k: 'relay', m: 'motor', bz: 'buzzer', p: 'pot',
  lc: 'light-cell', bt: 'battery',
} // prettier-ignore
const LIGHT_COLOURS = ['red', 'yellow', 'green', 'blue', 'white', 'orange', 'infrared']
/** Band colours by the two letters of the standard on colour codes, and by their own beginning. */
const BANDS: Record<string, string> = {
  bk: 'black', bn: 'brown', rd: 'red', og: 'orange', ye: 'yellow', gn: 'green', bu: 'blue', vt: 'violet',
  gy: 'grey', wh: 'white', gd: 'gold', sr: 'silver', pk: 'pink',
} // prettier-ignore
const VALUED: Record<string, string> = {
  resistor: 'value', capacitor: 'value', pot: 'value', trimmer: 'value', battery: 'volts', 'probe-1w': 'lead',
} // prettier-ignore

export function lettersOf(type: string): string {
  return LETTERS[type] ?? 'U'
}

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
  const others = words.parts
    .filter((part) => part.id.startsWith(lower) || BY_LETTER[lower] === part.id)
    .sort((a, b) => rank(b.id, lower) - rank(a.id, lower))
    .map((type) => ({ ref: nextRef(rows, lettersOf(type.id)), type }))
  return [...fromRecipe, ...others]
}

function rank(id: string, typed: string): number {
  return id === typed || BY_LETTER[typed] === id ? 1 : 0
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
      const key = oneOf(assigned[1]!, [...type.legs, ...type.settings], `legs and settings of a ${type.id}`)
      const place = type.legs.includes(key) ? resolvePlace(assigned[2]!, rows, words) : assigned[2]!
      if (!place) throw new NotUnderstood(`“${assigned[2]}” is no place for ${key}.`)
      ;(type.legs.includes(key) ? byName : settings).push(`${key}=${place}`)
    } else if (run) {
      legs.push(...rowsFrom(run[1]!, Number(run[2]), Number(run[3])))
    } else {
      const setting = settingOf(token, type)
      const place = setting ? null : resolvePlace(token, rows, words)
      if (setting) settings.push(setting)
      else if (place) legs.push(place)
      else throw new NotUnderstood(`“${token}” is no place, leg or setting of a ${type.id}.`)
    }
  }
  const recipe = words.recipe.find((part) => part.ref === ref)
  if (type.id === 'led' && recipe?.settings.colour && !settings.some((s) => s.startsWith('colour=')))
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
      throw new NotUnderstood(
        `${first.toUpperCase()} is in the table already; mv ${first.toUpperCase()} 2 moves it.`,
      )
    throw new NotUnderstood(`“${first}” is no place and no part. A pin begins with a dot: .8 or .a0.`)
  }
  const isOfRecipe = words.recipe.some((part) => part.ref === best.ref)
  const types = new Set(found.map((one) => one.type.id))
  if (!isOfRecipe && !rank(best.type.id, first.toLowerCase()) && types.size > 1)
    throw new NotUnderstood(`“${first}” may be ${[...types].slice(0, 5).join(', ')}.`)
  return best
}

function placesFor(legs: string[], byName: string[], type: PartName): string[] {
  if (!legs.length && !byName.length)
    throw new NotUnderstood(`where? Its legs: ${type.legs.join(', ')}; one hole fills the rows below it.`)
  if (legs.length && type.by_name)
    throw new NotUnderstood(
      `${type.id} needs its legs by name, as makers differ: ${type.legs.map((l) => `${l[0]}=`).join(' ')}`,
    )
  const hole = legs.length === 1 && /^([a-j])(\d+)$/.exec(legs[0]!)
  if (hole && type.legs.length > 1 && !byName.length)
    return rowsFrom(hole[1]!, Number(hole[2]), Number(hole[2]) + type.legs.length - 1)
  if (legs.length && !byName.length && legs.length !== type.legs.length)
    throw new NotUnderstood(`${legs.length} of ${type.legs.length} legs: ${type.legs.join(', ')}.`)
  return legs
}

function rowsFrom(letter: string, from: number, to: number): string[] {
  const step = from <= to ? 1 : -1
  const count = Math.abs(to - from) + 1
  if (count > 40) throw new NotUnderstood(`${letter}${from}-${to} is longer than any part.`)
  return Array.from({ length: count }, (_, i) => `${letter.toLowerCase()}${from + i * step}`)
}

/** A bare word that is a setting of this type: a value, bands, a colour. */
function settingOf(token: string, type: PartName): string | null {
  const lower = token.toLowerCase()
  if (type.id === 'led') {
    const colour = LIGHT_COLOURS.find((name) => name.startsWith(lower))
    if (colour) return `colour=${colour}`
  }
  if (type.id === 'resistor') {
    const bands = bandsOf(lower)
    if (bands) return `bands=${bands.join('-')}`
  }
  return VALUED[type.id] && /^\d/.test(token) ? `${VALUED[type.id]}=${token}` : null
}

/** `ogogbngd`, `og-og-bn-gd` or `orange-orange-brown-gold` as colours; null when it is none of these. */
export function bandsOf(typed: string): string[] | null {
  const words = typed.includes('-')
    ? typed.split('-')
    : /^([a-z]{2}){3,6}$/.test(typed)
      ? typed.match(/../g)!
      : []
  if (words.length < 3 || words.length > 6) return null
  const colours = words.map(
    (word) =>
      BANDS[word] ?? Object.values(BANDS).find((colour) => word.length > 2 && colour.startsWith(word)),
  )
  return colours.every(Boolean) ? (colours as string[]) : null
}
