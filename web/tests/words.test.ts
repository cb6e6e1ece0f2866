import { describe, expect, it } from 'vitest'
import { count } from '@texts/language'
import { decidedWords } from '@texts/words'
import { capital, clockTime, courseZone, fixed, waited } from '@/shared/words'

describe('how values are said', () => {
  it('uses the singular for one thing only', () => {
    expect([0, 1, 2].map((n) => count(n, 'pair'))).toEqual(['0 pairs', '1 pair', '2 pairs'])
    expect(count(2, 'inch', 'inches')).toBe('2 inches')
  })

  it('says how long someone waits in minutes, then in hours', () => {
    const now = Date.parse('2026-03-02T11:00:00Z')
    expect(waited('2026-03-02T10:59:30Z', now)).toBe('0 min')
    expect(waited('2026-03-02T10:01:00Z', now)).toBe('59 min')
    expect(waited('2026-03-02T08:58:00Z', now)).toBe('2 h 2 min')
    expect(waited('2026-03-02T11:05:00Z', now)).toBe('0 min') // a device's clock may be behind
  })

  it('tells an overrule from a pass, and a clearance by the bench', () => {
    expect(decidedWords({ act: 'pass', station: 'wiring', overruled: false })).toBe('passed the wiring')
    expect(decidedWords({ act: 'pass', station: 'wiring', overruled: true })).toBe(
      'passed the wiring over a Stop',
    )
    expect(decidedWords({ act: 'clear', station: 'power', overruled: false })).toBe(
      'cleared the bench for power',
    )
  })

  it('writes a missing number as a dash and a negative one with a minus sign', () => {
    expect([fixed(null, 1), fixed(-0.25, 2), fixed(3, 1)]).toEqual(['–', '−0.25', '3.0'])
    expect(capital('wiring')).toBe('Wiring')
  })
})

it('shows times in the zone of the course, wherever the device is', () => {
  courseZone.value = 'Asia/Tokyo'
  expect(clockTime('2026-11-29T10:00:00Z')).toBe('19:00')
  expect(clockTime('2026-11-29T10:00:00Z', 'Europe/Berlin')).toBe('11:00')
  courseZone.value = undefined
})
