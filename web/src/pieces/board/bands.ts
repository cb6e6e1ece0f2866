// The rows of the breadboard that hold something; the others are folded, so that a circuit fits without zooming.
import type { Schemas } from '@/api/client'
import { ROW, readPlace } from './places'

export type Band =
  { kind: 'row'; row: number; y: number } | { kind: 'fold'; from: number; to: number; y: number }

export function usedRows(bench: Schemas['BenchOut']): Set<number> {
  const rows = new Set<number>()
  const places = [
    ...bench.parts.flatMap((p) => Object.values(p.legs)),
    ...bench.wires.flatMap((w) => [w.from_place, w.to_place]),
  ]
  for (const text of places) {
    const place = readPlace(text)
    if (place.kind === 'hole' && place.row) rows.add(place.row)
  }
  return rows
}

export function foldRows(used: Set<number>, rows: number, top: number): Band[] {
  const bands: Band[] = []
  let y = top
  let row = 1
  while (row <= rows) {
    if (used.has(row)) {
      bands.push({ kind: 'row', row, y })
      row += 1
      y += ROW
      continue
    }
    let to = row
    while (to < rows && !used.has(to + 1)) to += 1
    bands.push({ kind: 'fold', from: row, to, y })
    y += ROW - 4
    row = to + 1
  }
  return bands
}

/** Where a row stands; a folded one stands at its fold. */
export function heights(bands: Band[]): (row: number) => number {
  return (row) => bands.find((b) => (b.kind === 'row' ? b.row === row : b.from <= row && row <= b.to))?.y ?? 0
}
