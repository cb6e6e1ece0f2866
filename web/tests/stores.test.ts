import { expect, test } from 'vitest'
import { nextTick } from 'vue'
import { play, useSounds } from '@/shared/sounds'
import { fullDay } from '@/shared/words'
import { typedValue } from '@/shared/typed-value'

test('without a loudspeaker, or with sounds off, a scan is answered all the same', async () => {
  expect(() => play('yes')).not.toThrow()
  useSounds().on.value = false
  expect(() => play('no')).not.toThrow()
  await nextTick()
  expect(localStorage.getItem('verifex-sounds')).toBe('false')
})

test('a day that may be years ago is told with its year', () => {
  expect(fullDay('2026-03-14', 'UTC')).toBe('14 Mar 2026')
})

test.each([
  ['21,5', '°C', 21.5],
  ['−0.02', 'g', null],
  ['5 %', '%', 5],
  ['130', 'count', 130],
])('%s as a figure of a calibration in %s', (text, unit, value) => {
  expect(typedValue(text, unit)).toBe(value)
})
