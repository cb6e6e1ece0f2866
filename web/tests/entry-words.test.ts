// The entry line with the words of the real catalogue: a few letters become a line, or a sentence says what was expected.
import { describe, expect, it } from 'vitest'
import { completions } from '@/pieces/hand-in/entry/complete'
import { understand } from '@/pieces/hand-in/entry/line'
import { bandsOf } from '@/pieces/hand-in/entry/part'
import { pinsLike } from '@/pieces/hand-in/entry/place'
import type { Vocabulary } from '@/pieces/hand-in/entry/words'
import { readLine } from '@/pieces/hand-in/lines'
import instructor from './screens/answers/ines.marlow.json'

const names = instructor.answers['/api/names']
const words = {
  pins: names.pins['mcu-5v'],
  parts: names.parts,
  bandCodes: names.band_codes,
  wireColours: names.wire_colours,
  recipe: [
    { ref: 'U1', part: 'thermo-offset', title: 'brood-box thermometer', settings: {} },
    { ref: 'D1', part: 'led', title: 'warning light', settings: { colour: 'red' } },
    { ref: 'R1', part: 'resistor', title: 'series resistor', settings: { value: '330' } },
  ],
} as unknown as Vocabulary
const BASE = ['board B1 mcu-5v', 'base half']
const said = (text: string, lines = BASE) => {
  const outcome = understand(text, lines, words)
  return 'wrong' in outcome ? `! ${outcome.wrong}` : outcome.said
}

describe('a wire', () => {
  it.each([
    ['.8 a12', 'wire B1.D8 a12'],
    ['.a0 e9 y', 'wire B1.A0 e9 yellow'],
    ['.g -l bl', 'wire B1.GND -L black'],
    ['.5v +l red', 'wire B1.5V +L red'],
    ['+L40 a3', 'wire +L40 a3'],
    ['a5 j30', 'wire a5 j30'],
    ['.gnd2 -r', 'wire B1.GND2 -R'],
  ])('%s', (typed, line) => expect(said(typed)).toBe(line))

  it.each([
    ['.8', 'and to where?'],
    ['.8 a12 red twice', 'is too much'],
    ['.8 a12 mauve', 'is no wire colour'],
    ['.99 a1', 'has no pin'],
    ['.d1 a1', 'wire B1.D1 a1'],
    ['+x a1', 'is no rail'],
    ['a1 a31', 'lies beyond the base, which has rows 1 to 30'],
    ['a1 nowhere', 'is no hole, rail, pin or leg'],
  ])('%s: %s', (typed, expected) => expect(said(typed)).toContain(expected))

  it('reaches row 63 of a full base', () => {
    expect(said('a1 a63', ['board B1 mcu-5v', 'base full'])).toBe('wire a1 a63')
  })

  it('ends at a leg by the first letters of its name', () => {
    const lines = [...BASE, 'part U1 thermo-offset e10 e11 e12']
    expect(said('u1.o .a0', lines)).toBe('wire U1.out B1.A0')
    expect(said('u2.o .a0', lines)).toContain('There is no part U2 in the table.')
    expect(said('u1.x .a0', lines)).toContain('is none of the legs of U1: supply, out, ground')
  })
})

describe('a part', () => {
  it.each([
    ['u1 e8', 'part U1 thermo-offset e8 e9 e10'],
    ['brood e8', 'part U1 thermo-offset e8 e9 e10'],
    ['r1 c16 c20 330', 'part R1 resistor c16 c20 value=330'],
    ['r c16 c20 ogogbngd m=327', 'part R1 resistor c16 c20 bands=orange-orange-brown-gold measured=327'],
    ['warning c16', 'part D1 led c16 c17 colour=red'],
    ['d1 c16 c17 green', 'part D1 led c16 c17 colour=green'],
    ['led an=d22 ca=d24', 'part D1 led anode=d22 cathode=d24 colour=red'],
    ['q b=c12 c=c11 e=c13', 'part Q1 npn base=c12 collector=c11 emitter=c13'],
    ['button a5-6', 'part S1 button a5 a6'],
  ])('%s', (typed, line) => expect(said(typed)).toBe(line))

  it.each([
    ['u1 e8 e9', '2 of 3 legs: supply, out, ground.'],
    ['q c11', 'needs its legs by name'],
    ['r1 c16 c20 furry', 'is no place, leg or setting of a resistor'],
    ['button a1-60', 'is longer than any part'],
  ])('%s: %s', (typed, expected) => expect(said(typed)).toContain(expected))

  it('that is in the table already is moved, not made again', () => {
    expect(said('u1 e8', [...BASE, 'part U1 thermo-offset e10 e11 e12'])).toMatch(
      /U1 is in the table already; mv U1 2 moves it|^part U2/,
    )
  })

  it('is exchanged, copied and taken away by its name', () => {
    const lines = [...BASE, 'part D1 led c16 c17 colour=red']
    const after = (text: string) => {
      const outcome = understand(text, lines, words)
      return 'wrong' in outcome ? [outcome.wrong] : outcome.apply(lines)
    }
    expect(after('sw d1').at(-1)).toBe('part D1 led c17 c16 colour=red')
    expect(after('dup d1')).toEqual([...lines, 'part D2 led c16 c17 colour=red'])
    expect(after('del d1')).toEqual(BASE)
    expect(after('mv d1 -2').at(-1)).toBe('part D1 led c14 c15 colour=red')
    expect(after('mv d1')).toEqual(['by how many rows? Down is 3, up is -3.'])
    expect(after('mv')).toEqual(['mv which part? mv U1'])
  })

  it('never changes the lines by being looked at', () => {
    const lines = [...BASE, 'part D1 led c16 c17 colour=red']
    for (const text of ['mv d1 3', 'del d1', 'sw d1', '.8 a12', 'r1 c16 c20 330'])
      understand(text, lines, words)
    expect(lines).toEqual([...BASE, 'part D1 led c16 c17 colour=red'])
  })
})

describe('completions', () => {
  const offered = (text: string, lines = BASE) =>
    completions(text, lines.map(readLine), words).map((one) => one.insert)

  it('begin with what the recipe still asks for', () => {
    expect(offered('')).toEqual(['U1', 'D1', 'R1'])
    expect(offered('', [...BASE, 'part D1 led c16 c17'])).toEqual(['U1', 'R1'])
  })

  it('know pins, parts, legs, settings and colours by their first letters', () => {
    expect(offered('.a')).toEqual(['.A0', '.A1', '.A2', '.A3', '.A4', '.A5'])
    expect(offered('clim')).toEqual(['climate-coarse', 'climate-fine'])
    expect(offered('led c16 an')).toEqual(['anode='])
    expect(offered('r1 c16 c20 me')).toEqual(['measured='])
    expect(offered('.8 a12 b')).toEqual(names.wire_colours.filter((colour) => colour.startsWith('b')))
  })

  it('are none where a place or a value is typed', () => {
    for (const text of ['a5', '+L', 'r1 c16', '.8 a12 red x']) expect(offered(text)).toEqual([])
  })
})

describe('small vocabularies', () => {
  it('take a number for the digital pin of that number, on either kind of board', () => {
    expect(pinsLike('1', names.pins['mcu-5v'])[0]).toBe('D1')
    expect(pinsLike('14', names.pins['mcu-3v3-wireless'])[0]).toBe('GPIO14')
  })

  it('read bands by two letters, by words and with hyphens, three to six of them', () => {
    const codes = names.band_codes as Record<string, string>
    const gold = ['orange', 'orange', 'brown', 'gold']
    for (const typed of ['ogogbngd', 'og-og-bn-gd', 'orange-orange-brown-gold', 'orange-orang-brow-gold'])
      expect(bandsOf(typed, codes), typed).toEqual(gold)
    for (const typed of ['og-og', 'ogogzzgd', '330', 'og-og-bn-bn-bn-bn-gd'])
      expect(bandsOf(typed, codes), typed).toBeNull()
  })
})
