// A value as a person types it beside a unit: `4.93`, `4,93 V`, `331 Ohm`, `4k7`, `120 mV`.
const PREFIX: Record<string, number> = {
  p: 1e-12,
  n: 1e-9,
  u: 1e-6,
  µ: 1e-6,
  m: 1e-3,
  k: 1e3,
  K: 1e3,
  M: 1e6,
  G: 1e9,
}
const WORDS: Record<string, string> = {
  'V': 'v|volts?', 'Ω': 'Ω|ohms?|r', 'A': 'a|amps?', 's': 's|secs?|seconds?', 'cm': 'cm', '°C': '°?c|celsius|deg', '%': '%|percent', 'W': 'w|watts?',
} // prettier-ignore

/** The value in the field's own unit; null for what is no value. */
export function typedValue(text: string, unit: string): number | null {
  const word = WORDS[unit] ?? unit.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
  const bare = text.trim().replace(new RegExp(`\\s*(?:${word || '$^'})$`, 'i'), '')
  const inside = /^(\d+)([pnuµmkKMGR])(\d+)$/.exec(bare)
  // `1R5`: between digits an R stands for the point of a value in ohms.
  if (inside?.[2] === 'R' && unit !== 'Ω') return null
  if (inside) return Number(`${inside[1]}.${inside[3]}`) * (PREFIX[inside[2]!] ?? 1)
  const plain = /^([+-]?\d+(?:[.,]\d+)?(?:e[+-]?\d+)?)\s*([pnuµmkKMG]?)$/.exec(bare)
  if (!plain) return null
  const value = Number(plain[1]!.replace(',', '.')) * (plain[2] ? PREFIX[plain[2]]! : 1)
  return Number.isFinite(value) ? value : null
}
