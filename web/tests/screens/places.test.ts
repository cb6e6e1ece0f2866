// The bar at the top: each role has its own places, and the one that is open is marked, whatever its views.
import { describe, expect, it } from 'vitest'
import { open } from './open'
import { NUMBERS, type Person, Refusal, until } from './server'

const places = () => [...document.querySelectorAll<HTMLAnchorElement>('header.bar nav a')]
const of = (who: Person) => {
  const staff = ['/floor', '/hatch', '/exercises', '/marks', '/sums']
  return { instructor: [...staff, '/set-up'], assistant: staff, pair: ['/my-bench', '/sums'] }[who]
}

describe('the places in the bar', () => {
  it.each([
    ['instructor', '/floor'],
    ['assistant', '/hatch'],
    ['pair', '/my-bench'],
  ] as [Person, string][])('of the %s', async (who, address) => {
    await open(who, address)
    await until(() => places().length > 0)
    expect(places().map((a) => a.getAttribute('href'))).toEqual(of(who))
  })

  it.each([
    ['instructor', '/set-up/kits', '/set-up'],
    ['instructor', '/sums/led', '/sums'],
    ['assistant', '/hatch?view=faults', '/hatch'],
    ['pair', '/my-bench?station=power', '/my-bench'],
  ] as [Person, string, string][])('for the %s at %s mark %s', async (who, address, marked) => {
    await open(who, address, { 'POST /api/sums/of/led': new Refusal(422, 'no sum') })
    await until(() => places().length > 0)
    const here = places().filter((a) => a.getAttribute('aria-current') === 'page')
    expect(here.map((a) => a.getAttribute('href'))).toEqual([marked])
  })

  it('are none of them at a docket', async () => {
    await open('instructor', `/dockets/${NUMBERS.marked}/mark`)
    await until(() => places().length > 0)
    expect(
      places()
        .filter((a) => a.ariaCurrent || a.hasAttribute('aria-current'))
        .map((a) => a.outerHTML),
    ).toEqual([])
  })
})
