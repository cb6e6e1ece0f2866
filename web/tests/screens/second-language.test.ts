// Ready for a second language: with every text of src/texts exchanged, no word of English is left on any screen but what the
// server sends. The other language here writes the same words in wide letters.
import { describe, expect, it } from 'vitest'
import { NUMBERS, PEOPLE, type Person, Refusal, until } from './server'

const wide = (text: string) =>
  text.replace(/\{\w+\}|[$=]\w+|[A-Za-z]/g, (found) =>
    found.length > 1 ? found : String.fromCharCode(found.charCodeAt(0) + 0xfee0),
  )

type Texts = Record<string, unknown>
const files = import.meta.glob<Record<string, Texts | unknown>>('../../src/texts/en-GB/*.ts', { eager: true })
for (const file of Object.values(files))
  for (const texts of Object.values(file) as Texts[])
    if (typeof texts === 'object')
      for (const [name, text] of Object.entries(texts))
        texts[name] =
          typeof text === 'function'
            ? (...values: unknown[]) => wide(String((text as (...v: unknown[]) => string)(...values)))
            : wide(String(text))
// Only now, so that what is read once when a screen is loaded is read in the other language.
const { open } = await import('./open')

/** What every language writes alike: keys, the product, bench notation and its examples, days and months by the platform. */
const ALIKE =
  /^(Verifex|Ctrl|Alt|Enter|Esc|Tab|min|kB|MB|bit|ppm|PORT|verifex|listen|code|http\w*|localhost|xxxx|Mon|Tue|Wed|Thu|Fri|Sat|Sun|Jan|Feb|Mar|Apr|May|Jun|Jul|Aug|Sept?|Oct|Nov|Dec)$/

const LABELS = ['aria-label', 'aria-valuetext', 'title', 'placeholder', 'alt']

function shown(): string[] {
  const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
  const texts: string[] = []
  while (walker.nextNode())
    if (!walker.currentNode.parentElement?.closest('style, script, .cm-editor, pre, code, kbd, dt, textarea'))
      texts.push(walker.currentNode.textContent ?? '')
  for (const label of LABELS)
    for (const element of document.querySelectorAll(`[${label}]`))
      texts.push(element.getAttribute(label) ?? '')
  return texts
}

const { stopped, marked, version } = NUMBERS
const answers: Record<string, unknown> = PEOPLE.instructor.answers
/** What some screens ask for besides and nobody recorded. */
const WORKED_OUT = {
  [`POST /api/dockets/${marked}/check-wiring`]: new Refusal(422, '…'),
  'POST /api/sums/of/led': new Refusal(422, '…'),
  'POST /api/sums/bands': new Refusal(422, '…'),
  'POST /api/sums/value': new Refusal(422, '…'),
  [`POST /api/dockets/${marked}/wiring/solve`]: new Refusal(422, '…'),
  [`POST /api/exercises/${version}/sheet`]: (answers[`/api/dockets/${marked}/sheets`] as { built: object })
    .built,
}
const SCREENS: [Person, string][] = [
  ['instructor', '/floor'],
  ['instructor', '/marks'],
  ['instructor', '/sums/led'],
  ['instructor', '/sums/bands'],
  ...['', '?view=plan', '?view=budget', '?view=about'].map((view): [Person, string] => [
    'instructor',
    `/exercises/${version}${view}`,
  ]),
  ...['people', 'pairs', 'room', 'exercise', 'kits', 'session', 'records', 'course'].map(
    (part): [Person, string] => ['instructor', `/set-up/${part}`],
  ),
  ...['kit', 'wiring', 'power', 'program', 'readings', 'mark'].flatMap((station): [Person, string][] => [
    ['instructor', `/dockets/${stopped}/${station}`],
    ['instructor', `/dockets/${marked}/${station}`],
  ]),
  ...['currents', 'resistors', 'compare', 'hand-in'].map((view): [Person, string] => [
    'instructor',
    `/dockets/${marked}/wiring?view=${view}`,
  ]),
  ...[
    'program?view=flow-chart',
    'program?view=run-on-the-twin',
    'readings?view=log',
    'readings?view=tolerance-budget',
  ].map((view): [Person, string] => ['instructor', `/dockets/${marked}/${view}`]),
  ...['kits', 'modules', 'drawers', 'faults', 'coming-sessions', 'labels-and-tables'].map(
    (view): [Person, string] => ['assistant', `/hatch?view=${view}`],
  ),
  ...['kit', 'wiring', 'power', 'program', 'readings', 'mark'].map((station): [Person, string] => [
    'pair',
    `/my-bench?station=${station}`,
  ]),
  ['pair', '/account'],
  ['pair', '/floor'],
  ['pair', '/no/such/place'],
]

describe('no English is left', () => {
  it.each(SCREENS)('for the %s at %s', async (who, address) => {
    const screen = await open(who, address, WORKED_OUT)
    await until(() => screen.page().length > 40 && !document.querySelector('[aria-busy=true]'))
    await new Promise((done) => setTimeout(done, 50))
    const sent = JSON.stringify(PEOPLE[who].answers).toLowerCase()
    const left = shown().filter((text) =>
      (text.match(/[A-Za-z]{3,}/g) ?? []).some(
        (word) => !ALIKE.test(word) && !sent.includes(word.toLowerCase()),
      ),
    )
    expect(left).toEqual([])
  })
})
