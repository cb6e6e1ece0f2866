import { expect, test, vi } from 'vitest'
import { nextTick } from 'vue'
import { play, useSounds } from '@/shared/sounds'
import { fullDay } from '@/shared/words'
import { typedValue } from '@/shared/typed-value'

test('yes rises, no is low and comes twice, and both can be off', async () => {
  const played: number[] = []
  class Tone {
    frequency = { value: 0 }
    connect = (to: unknown) => to
    start = () => played.push(this.frequency.value)
    stop = () => undefined
  }
  vi.stubGlobal(
    'AudioContext',
    class {
      currentTime = 0
      createOscillator = () => new Tone()
      createGain = () => ({ gain: { value: 0 }, connect: (to: unknown) => to })
    },
  )
  play('yes')
  const [first, second] = played
  expect(second).toBeGreaterThan(first!)
  play('no')
  expect(played.slice(2)).toHaveLength(2)
  expect(Math.max(...played.slice(2))).toBeLessThan(first!)
  useSounds().on.value = false
  await nextTick()
  play('yes')
  expect(played).toHaveLength(4)
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
