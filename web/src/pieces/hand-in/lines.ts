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
export function nextRef(rows: Row[], letters: string): string {
  const used = rows.map((row) => (row.name.startsWith(letters) ? Number(row.name.slice(letters.length)) : 0))
  return `${letters}${Math.max(0, ...used.filter((n) => Number.isFinite(n))) + 1}`
}

/** Move every hole of a row's places by some rows of the board. */
export function moved(places: string, by: number): string {
  return places.replace(
    /\b([a-j])(\d+)\b/g,
    (_, letter: string, n: string) => `${letter}${Math.max(1, Number(n) + by)}`,
  )
}
