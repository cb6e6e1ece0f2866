// What the word being typed may become: Tab takes the first.
import { complete as texts } from '@texts/hand-in'
import type { Row } from '../lines'
import { partsLike, unplaced } from './part'
import { boardRef, pinsLike } from './place'
import type { Vocabulary } from './words'

export interface Completion {
  /** What takes the place of the last word. */
  insert: string
  about: string
}
const MOST = 6

export function completions(text: string, rows: Row[], words: Vocabulary): Completion[] {
  const tokens = text.split(/\s+/)
  const last = tokens.at(-1) ?? ''
  const first = tokens[0] ?? ''
  if (last.startsWith('.'))
    return pinsLike(last.slice(1), words.pins)
      .slice(0, MOST)
      .map((pin) => ({ insert: `.${pin}`, about: texts.pinOf(boardRef(rows)) }))
  if (tokens.length === 1) {
    if (!last)
      return unplaced(rows, words)
        .slice(0, MOST)
        .map((p) => ({ insert: p.ref, about: p.title || p.part }))
    if (/^[+-]|^[a-j]\d|=/.test(last)) return []
    return partsLike(last, rows, words)
      .slice(0, MOST)
      .map(({ ref, type }) =>
        words.recipe.some((p) => p.ref === ref)
          ? { insert: ref, about: words.recipe.find((p) => p.ref === ref)!.title || type.title }
          : { insert: type.id, about: type.title },
      )
  }
  const part = /^[.+-]|^[a-j]\d+$/.test(first) ? undefined : partsLike(first, rows, words)[0]
  if (part && last && !/^[a-j]?\d|^[+-]/.test(last)) {
    const names = [
      ...part.type.legs.map((l) => [l, texts.leg]),
      ...part.type.settings.map((s) => [s, texts.setting]),
    ]
    return names
      .filter(([name]) => name!.startsWith(last.toLowerCase()) && !last.includes('='))
      .slice(0, MOST)
      .map(([name, about]) => ({ insert: `${name}=`, about: about! }))
  }
  if (!part && tokens.length === 3 && last)
    return words.wireColours
      .filter((c) => c.startsWith(last.toLowerCase()))
      .slice(0, MOST)
      .map((colour) => ({ insert: colour, about: texts.colour }))
  return []
}
