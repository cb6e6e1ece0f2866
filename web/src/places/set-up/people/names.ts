// Names as they are typed or pasted for pairs: each line one pair, names told by a part of them.
import type { Schemas } from '@/api/client'
import { or } from '@texts/language'
import { names as texts } from '@texts/set-up-people'

type Student = Pick<Schemas['ListedOut'], 'user' | 'name'>
export interface NamedLine {
  users: number[]
  names: string[]
  problem: string
}
const folded = (text: string) =>
  text
    .normalize('NFKD')
    .replace(/\p{Diacritic}/gu, '')
    .replace(/’/g, "'")
    .toLowerCase()

/** The students a typed name may mean: one that is the name wholly, else all whose words begin as typed. */
export function meant(typed: string, students: readonly Student[]): Student[] {
  const words = folded(typed).split(/\s+/).filter(Boolean)
  if (!words.length) return []
  const whole = students.filter((s) => folded(s.name) === words.join(' '))
  if (whole.length) return whole
  return students.filter((s) => {
    const own = folded(s.name)
    // `o'brien` is found by all of it, by what stands behind the mark, and without the mark.
    const parts = [...own.split(/[\s-]+/), ...own.split(/[\s'-]+/), ...own.replace(/'/g, '').split(/[\s-]+/)]
    return words.every((word) => parts.some((part) => part.startsWith(word)))
  })
}

/** Each line as a pair of these students, or with what is wrong with it. */
export function namesIn(text: string, students: readonly Student[]): NamedLine[] {
  const used = new Set<number>()
  return text
    .split('\n')
    .filter((line) => line.trim())
    .map((line) => {
      const found: Student[] = []
      const typed = line.split(/[,;\t·+&]|\s(?:and|with)\s/).filter((part) => part.trim())
      for (const part of typed) {
        const hits = meant(part, students)
        const name = part.trim()
        if (!hits.length) return wrong(texts.unknown(name))
        if (hits.length > 1) return wrong(texts.ambiguous(name, or(hits.slice(0, 3).map((s) => s.name))))
        const one = hits[0]!
        if (used.has(one.user)) return wrong(texts.standsHereTwice(one.name))
        used.add(one.user)
        found.push(one)
      }
      if (found.length > 3) return wrong(texts.memberCount)
      if (found.length < 2) return wrong(texts.withWhom(found[0]?.name))
      return { users: found.map((s) => s.user), names: found.map((s) => s.name), problem: '' }
    })
}

function wrong(problem: string): NamedLine {
  return { users: [], names: [], problem }
}
