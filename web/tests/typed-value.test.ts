import { expect, test } from 'vitest'
import { typedValue } from '@/shared/typed-value'

test.each([
  ['4.93', 'V', 4.93],
  ['4.93 V', 'V', 4.93],
  ['4,93v', 'V', 4.93],
  ['120 mV', 'V', 0.12],
  ['331Ohm', 'Ω', 331],
  ['331 ohms', 'Ω', 331],
  ['4k7', 'Ω', 4700],
  ['1R5', 'Ω', 1.5],
  ['330R', 'Ω', 330],
  ['10 kΩ', 'Ω', 10000],
  ['21.5 °C', '°C', 21.5],
  ['14cm', 'cm', 14],
  ['0.25 watt', 'W', 0.25],
  ['500 mW', 'W', 0.5],
  ['-3', '°C', -3],
])('%s in %s', (text, unit, value) => {
  expect(typedValue(text, unit)).toBeCloseTo(value, 9)
})

test.each(['', 'about 5', '5 apples', '1e999', '1R5'])('“%s” is no value', (text) => {
  expect(typedValue(text, 'V')).toBeNull()
})
