// Where things stand on the board map. Geometry only: which places exist and what lies in them comes from
// the core. All lengths are in units of the drawing, which scales to its column.

export const ROW = 22
export const COL = 19
export const X = {
  chipLeft: 8,
  railPlusL: 104,
  railMinusL: 126,
  holesLeft: 182,
  ditch: 268,
  holesRight: 346,
  railPlusR: 500,
  railMinusR: 522,
  chipRight: 546,
  width: 630,
}
export const CHIP = 76
export const LABEL = 42

export interface Place {
  kind: 'hole' | 'rail' | 'leg'
  letter?: string
  row?: number
  rail?: string
  ref?: string
  leg?: string
}

export function readPlace(text: string): Place {
  const hole = /^([a-j])(\d+)$/.exec(text)
  if (hole) return { kind: 'hole', letter: hole[1]!, row: Number(hole[2]) }
  const rail = /^([+-][LR])(\d+)?$/.exec(text)
  if (rail) return { kind: 'rail', rail: rail[1]!, row: rail[2] ? Number(rail[2]) : undefined }
  const [ref, leg] = text.split('.')
  return { kind: 'leg', ref, leg }
}

export function holeX(letter: string): number {
  const index = 'abcdefghij'.indexOf(letter)
  return index < 5 ? X.holesLeft + index * COL : X.holesRight + (index - 5) * COL
}

export function railX(rail: string): number {
  return { '+L': X.railPlusL, '-L': X.railMinusL, '+R': X.railPlusR, '-R': X.railMinusR }[rail] ?? X.railPlusL
}
