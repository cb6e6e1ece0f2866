import { describe, expect, it } from 'vitest'
import { copied, movedPlaces, nextRef, readLine, swapped, writeLine } from '@/pieces/hand-in/lines'

describe('a line of bench notation as cells', () => {
  it.each([
    'board B1 mcu-5v',
    'base half',
    'part R1 resistor a18 a22 bands=orange-orange-brown-gold measured=327',
    'part D1 led anode=d22 cathode=d24 colour=red # the alarm',
    'wire B1.A0 a6 yellow',
  ])('is written as it was read: %s', (line) => {
    expect(writeLine(readLine(line))).toBe(line)
  })

  it('keeps what is no statement letter by letter', () => {
    for (const raw of ['', '# a comment', '  wier a1 a2  ']) expect(writeLine(readLine(raw))).toBe(raw)
  })

  it('takes a leg by name for a place and every other = for a setting', () => {
    const row = readLine('part D1 led anode=d22 cathode=-L colour=red')
    expect([row.places, row.more]).toEqual(['anode=d22 cathode=-L', 'colour=red'])
  })

  it('gives a copy the next free reference and moves its holes by rows, not above the board', () => {
    const rows = ['part R1 resistor a1 a5', 'part R3 resistor b1 b5'].map(readLine)
    expect(nextRef(rows, 'R')).toBe('R4')
    expect(copied(rows[0]!, 'R4')).toBe('part R4 resistor a1 a5')
    expect(movedPlaces('a1 -L b24 B1.A0', -3)).toBe('a1 -L b21 B1.A0')
  })

  it('exchanges the places of named legs and leaves their names', () => {
    expect(swapped(readLine('part D1 led anode=d22 cathode=d24')).places).toBe('anode=d24 cathode=d22')
  })
})
