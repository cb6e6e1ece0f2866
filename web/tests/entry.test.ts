import { describe, expect, it } from 'vitest'
import { understand } from '@/pieces/hand-in/entry/line'

const words = {
  pins: ['D8', 'D9', 'A0', '5V', 'GND'],
  parts: [
    {
      id: 'led',
      title: 'light',
      legs: ['anode', 'cathode'],
      short: 'd',
      letters: 'D',
      settings: ['colour'],
      colours: ['red'],
    },
    {
      id: 'thermo-offset',
      title: 'thermometer',
      legs: ['supply', 'out', 'ground'],
      short: '',
      letters: 'U',
      settings: [],
    },
  ],
  recipe: [{ ref: 'D1', part: 'led', title: 'alarm light', settings: {} }],
  bandCodes: {},
  wireColours: ['red', 'black'],
} as unknown as Parameters<typeof understand>[2]
const lines = ['board B1 mcu-5v', 'base half', 'part U1 thermo-offset e10 e11 e12']
const said = (text: string) => {
  const outcome = understand(text, lines, words)
  return 'wrong' in outcome ? `! ${outcome.wrong}` : outcome.said
}

describe('the entry line', () => {
  it('takes d1 for the light where two places follow, and for the hole where one does', () => {
    expect(said('d1 c20 c21')).toMatch(/^part D1 led/)
    expect(said('d1 c20')).toBe('wire d1 c20')
  })

  it('refuses a hole beyond the base, and a move that would leave it', () => {
    expect(said('a5 a61')).toMatch(/^! a61 lies beyond the base, which has rows 1 to 30/)
    expect(said('mv U1 60')).toMatch(/^! U1 would stand beyond the base/)
    expect(said('mv U1 -11')).toMatch(/^! U1 would stand beyond the base/)
    expect(said('mv U1 3')).toMatch(/^part U1 thermo-offset e13 e14 e15/)
  })
})
