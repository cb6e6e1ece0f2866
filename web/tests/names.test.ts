import { describe, expect, it } from 'vitest'
import { lightColour } from '@/pieces/board/colours'
import { meant, namesIn } from '@/places/set-up/people/names'

const STUDENTS = [
  { user: 1, name: 'Mira Kessler' },
  { user: 2, name: 'Tomé Duarte' },
  { user: 3, name: 'Hugo Vance' },
  { user: 4, name: 'Aiko Vance-Tamura' },
  { user: 5, name: "Siobhán O'Brien" },
]

describe('names typed for pairs', () => {
  it('knows a student by a part of the name, with or without its accent', () => {
    expect(meant('kess', STUDENTS).map((s) => s.user)).toEqual([1])
    expect(meant('tome d', STUDENTS).map((s) => s.user)).toEqual([2])
    expect(meant('tamura', STUDENTS).map((s) => s.user)).toEqual([4])
    for (const typed of ['brien', "o'brien", 'O’Brien', 'obrien'])
      expect(meant(typed, STUDENTS).map((s) => s.user)).toEqual([5])
  })

  it('reads a pasted column, one pair a line, whatever stands between the names', () => {
    const lines = namesIn('kessler, duarte\nhugo\taiko\n', STUDENTS)
    expect(lines.map((line) => line.users)).toEqual([
      [1, 2],
      [3, 4],
    ])
  })

  it('says what is wrong with a line instead of guessing', () => {
    const said = (text: string) => namesIn(text, STUDENTS)[0]!.problem
    expect(said('vance, kessler')).toContain('may be Hugo Vance or Aiko Vance-Tamura')
    expect(said('kessler')).toContain('with whom?')
    expect(said('kessler, nobody')).toContain('Nobody here is called “nobody”')
    expect(said('kessler, duarte, hugo, aiko')).toContain('a three is allowed')
    expect(namesIn('kessler, duarte\nhugo, duarte', STUDENTS)[1]!.problem).toContain('stands here twice')
  })
})

describe('colours of lights', () => {
  it('has one for what a light shows and none for other states', () => {
    expect(lightColour('red')).toBeTruthy()
    expect(lightColour('cyan')).toBeTruthy()
    expect(lightColour('on')).toBeUndefined()
    expect(lightColour('880 Hz')).toBeUndefined()
  })
})
