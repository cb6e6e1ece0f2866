// A line of bench notation as the cells of a table, and back. The text is what is stored: a row is its line.
export interface Row {
  kind: 'board' | 'base' | 'bench' | 'part' | 'wire' | 'other'
  name: string
  type: string
  places: string
  more: string
  comment: string
  raw: string
}

const NAMED_LEG = /^[a-z0-9]+=([a-jA-J]\d+|[+-][LR]\d*|[A-Za-z]+\d+\.\w+)$/

export function readLine(raw: string): Row {
  const at = raw.search(/(^|\s)#/)
  const body = (at < 0 ? raw : raw.slice(0, at)).trim()
  const comment = at < 0 ? '' : raw.slice(at).trim()
  const words = body.split(/\s+/).filter(Boolean)
  const empty = { name: '', type: '', places: '', more: '', comment, raw }
  const [keyword, ...rest] = words
  if (keyword === 'part') {
    const [name = '', type = '', ...others] = rest
    // A leg by name (anode=b24) is a place; everything else with an = is a setting.
    const settings = others.filter((w) => w.includes('=') && !NAMED_LEG.test(w))
    return {
      ...empty,
      kind: 'part',
      name,
      type,
      places: others.filter((w) => !settings.includes(w)).join(' '),
      more: settings.join(' '),
    }
  }
  if (keyword === 'wire') {
    const [from = '', to = '', ...others] = rest
    return { ...empty, kind: 'wire', places: `${from} ${to}`.trim(), more: others.join(' ') }
  }
  if (keyword === 'board')
    return { ...empty, kind: 'board', name: rest[0] ?? '', type: rest.slice(1).join(' ') }
  if (keyword === 'base' || keyword === 'bench') return { ...empty, kind: keyword, type: rest.join(' ') }
  return { ...empty, kind: 'other' }
}

export function writeLine(row: Row): string {
  if (row.kind === 'other') return row.raw
  const words = [row.kind, row.name, row.type, row.places, row.more, row.comment]
  return words
    .map((w) => w.trim())
    .filter(Boolean)
    .join(' ')
}

/** The next free reference of a kind: R1, R2, … */
export function nextRef(rows: Pick<Row, 'name'>[], letters: string): string {
  const used = rows.map((row) => (row.name.startsWith(letters) ? Number(row.name.slice(letters.length)) : 0))
  return `${letters}${Math.max(0, ...used.filter((n) => Number.isFinite(n))) + 1}`
}

/** Places with every hole moved by some rows of the board. */
export function movedPlaces(places: string, by: number): string {
  return places.replace(
    /(^|[\s=])([a-j])(\d+)(?=\s|$)/g,
    (_, before: string, letter: string, n: string) => `${before}${letter}${Math.max(1, Number(n) + by)}`,
  )
}

/** The rows of the base that places stand in. */
export function rowNumbers(places: string): number[] {
  return [...places.matchAll(/(?:^|[\s=])[a-j](\d+)(?=\s|$)/g)].map((match) => Number(match[1]))
}

/** How many ends a row names. */
export function ends(row: Row): number {
  return row.places.split(/\s+/).filter(Boolean).length
}

/** A row with its places the other way round; legs by name keep their names and exchange their places. */
export function swapped(row: Row): Row {
  const words = row.places.split(/\s+/).filter(Boolean)
  const places = words.map((word) => word.slice(word.indexOf('=') + 1)).reverse()
  return {
    ...row,
    places: words.map((word, i) => word.slice(0, word.indexOf('=') + 1) + places[i]).join(' '),
  }
}

/** A row's line again, under a reference of its own and without its comment. */
export function copied(row: Row, ref: string): string {
  return writeLine({ ...row, name: row.kind === 'part' ? ref : row.name, comment: '' })
}
