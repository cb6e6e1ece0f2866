// What the pads of the station trace mean.
export interface Pad {
  station: string
  state?: string | null
}
export type PadKind = 'done' | 'asks' | 'back' | 'here' | 'ahead'

const KINDS: Record<string, PadKind> = {
  passed: 'done',
  asks: 'asks',
  'sent-back': 'back',
  voided: 'back',
  working: 'here',
}

export const padKind = (pad: Pad): PadKind => KINDS[pad.state ?? ''] ?? 'ahead'
