// Which targets go with a few letters.
export interface Target {
  label: string
  hint: string
  to: string
}
const MOST = 8

const wordsOf = (text: string) =>
  text
    .toLowerCase()
    .split(/[\s·,]+/)
    .filter(Boolean)

/** Targets that hold every typed word in label or hint; those with a word that begins with it come first. */
export function bestMatches(targets: Target[], typed: string): Target[] {
  const asked = wordsOf(typed)
  const hits = targets.filter((t) => {
    const text = `${t.label} ${t.hint}`.toLowerCase()
    return asked.every((word) => text.includes(word))
  })
  const rank = (t: Target) => {
    const [label, hint] = [wordsOf(t.label), wordsOf(t.hint)]
    if (asked.every((word) => label.some((part) => part.startsWith(word)))) return 0
    return asked.every((word) => [...label, ...hint].some((part) => part.startsWith(word))) ? 1 : 2
  }
  return hits
    .map((target) => ({ target, rank: rank(target) }))
    .sort((a, b) => a.rank - b.rank)
    .map(({ target }) => target)
    .slice(0, MOST)
}
