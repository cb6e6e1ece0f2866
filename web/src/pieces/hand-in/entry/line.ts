// The entry line: a few letters become a statement of the bench notation. `.8 a12` is a wire from pin D8 to hole
// a12; `led c16` puts a light into c16 and c17; `mv U1 3` moves U1 down three rows. What it would do is said
// before Enter is pressed; nothing is guessed that the preview does not show.
import { line as texts } from '@texts/hand-in'
import {
  copied,
  ends,
  movedPlaces,
  nextRef,
  readLine,
  type Row,
  rowNumbers,
  swapped,
  writeLine,
} from '../lines'
import { expandPart } from './part'
import { resolvePlace, rowsOf } from './place'
import { NotUnderstood, type Vocabulary } from './words'

export interface Understood {
  said: string
  /** The lines of the bench after it. */
  apply: (lines: string[]) => string[]
}
export type Outcome = Understood | { wrong: string }

const KEYWORDS = ['wire', 'part', 'board', 'base', 'bench']
const COMMANDS = ['mv', 'sw', 'dup', 'del']

/** What a line means; `wrong` says in words what was expected instead. */
export function understand(text: string, lines: string[], words: Vocabulary): Outcome {
  const tokens = text.trim().split(/\s+/).filter(Boolean)
  if (!tokens.length) return { wrong: '' }
  try {
    return meant(tokens, text.trim(), lines.map(readLine), words)
  } catch (wrong) {
    if (wrong instanceof NotUnderstood) return { wrong: wrong.message }
    throw wrong
  }
}

function meant(tokens: string[], text: string, rows: Row[], words: Vocabulary): Understood {
  const first = tokens[0]!
  if (KEYWORDS.includes(first) || first.startsWith('#')) return adds(text)
  if (COMMANDS.includes(first)) return command(first, tokens.slice(1), rows)
  // `d1` may be a hole and a light: with two places behind it, it is the part.
  const isHole = /^[a-j]\d{1,2}$/.test(first) && !(isPartName(first, rows, words) && isPlace(tokens[2]))
  const place = isHole || !isPartName(first, rows, words) ? resolvePlace(first, rows, words) : null
  if (place) return wire(place, tokens.slice(1), rows, words)
  return adds(writeLine(expandPart(tokens, rows, words)))
}

function isPartName(token: string, rows: Row[], words: Vocabulary): boolean {
  if (/^[.+-]/.test(token) || token.includes('.')) return false
  const ref = token.toUpperCase()
  return words.recipe.some((p) => p.ref === ref) || rows.some((r) => r.kind === 'part' && r.name === ref)
}

const isPlace = (token: string | undefined) => !!token && /^([a-j]\d{1,2}|[+-][lr]\d*|\.\w+)$/i.test(token)

function adds(line: string): Understood {
  return { said: line, apply: (lines) => [...lines, line] }
}

function wire(from: string, rest: string[], rows: Row[], words: Vocabulary): Understood {
  const [second, colour, extra] = rest
  if (!second) throw new NotUnderstood(texts.secondEndMissing)
  const to = resolvePlace(second, rows, words)
  if (!to) throw new NotUnderstood(texts.noPlace(second))
  if (extra) throw new NotUnderstood(texts.tooManyEnds(extra))
  return adds(`wire ${from} ${to}${colour ? ` ${wireColourOf(colour, words.wireColours)}` : ''}`)
}

export function wireColourOf(token: string, colours: string[]): string {
  const found = colours.find((colour) => colour.startsWith(token.toLowerCase()))
  if (!found) throw new NotUnderstood(texts.unknownColour(token, colours.slice(0, 6).join(', ')))
  return found
}

function command(name: string, [refText, count]: string[], rows: Row[]): Understood {
  const ref = (refText ?? '').toUpperCase()
  const at = rows.findIndex((row) => row.kind === 'part' && row.name === ref)
  if (at < 0) throw new NotUnderstood(ref ? texts.unknownPart(ref) : texts.whichPart(name))
  const row = rows[at]!
  const put = (line: string, said: string): Understood => ({
    said,
    apply: (lines) => lines.map((old, index) => (index === at ? line : old)),
  })
  if (name === 'mv') {
    const by = Number(count)
    if (!count || !Number.isInteger(by) || by === 0) throw new NotUnderstood(texts.rowsMissing)
    const places = movedPlaces(row.places, by)
    const most = rowsOf(rows)
    if (rowNumbers(places).some((n) => n > most) || rowNumbers(row.places).some((n) => n + by < 1))
      throw new NotUnderstood(texts.wouldStandBeyond(ref, most))
    const line = writeLine({ ...row, places })
    return put(line, `${line}   (${by > 0 ? texts.down(by) : texts.up(-by)})`)
  }
  if (name === 'sw') {
    const line = writeLine(swapped(row))
    return put(line, `${line}   (${ends(row) > 2 ? texts.legsReversed : texts.endsExchanged})`)
  }
  if (name === 'del')
    return { said: texts.leavesTheTable(ref), apply: (lines) => lines.filter((_, index) => index !== at) }
  const copy = copied(row, nextRef(rows, ref.replace(/\d+$/, '')))
  return {
    said: copy,
    apply: (lines) => [...lines.slice(0, at + 1), copy, ...lines.slice(at + 1)],
  }
}
