// Figures with their units, as people read them: 5.2 mA, 330 Ω, 0.8 mW.
const STEPS: [number, string][] = [
  [1e6, 'M'],
  [1e3, 'k'],
  [1, ''],
  [1e-3, 'm'],
  [1e-6, 'µ'],
]

/** `value` in `unit` (SI) with three figures (or as many as said) and the prefix that suits it; under a thousandth of a micro it is 0. */
export function said(value: number | null | undefined, unit: string, figures = 3): string {
  if (value === null || value === undefined) return '–'
  const size = Math.abs(value)
  if (size < 1e-9) return `0 ${unit}`
  // Milliohms and microvolts are noise; ohms and volts are said in their own unit at least.
  const least = unit === 'Ω' ? 1 : 1e-6
  const [step, prefix] = STEPS.find(([s]) => size >= s * 0.9995 && s >= least) ?? [
    least,
    unit === 'Ω' ? '' : 'µ',
  ]
  return `${trim(value / step, figures)} ${prefix}${unit}`
}

function trim(value: number, figures: number): string {
  const digits = Math.max(0, figures - 1 - Math.floor(Math.log10(Math.abs(value))))
  const text = value.toFixed(Math.min(digits, 3))
  return (text.includes('.') ? text.replace(/\.?0+$/, '') : text).replace('-', '−')
}

const PREFIXED = ['V', 'Ω', 'A', 'W']

/** A figure with whatever unit it has: volts and ohms with a prefix, the rest as it is, with four figures. */
export function withUnit(value: number, unit: string): string {
  if (PREFIXED.includes(unit)) return said(value, unit, 4)
  const text = Number(value.toPrecision(4)).toString().replace('-', '−')
  return unit ? `${text} ${unit}` : text
}
